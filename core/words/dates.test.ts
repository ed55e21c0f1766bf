import { describe, expect, it } from "vitest";
import { counted, dayText, longDayText, longMomentText, momentText } from "./index";

describe("moments in words", () => {
  const moment = "2026-09-25T22:30:00Z";

  it("tell the year, and follow the course's time zone, not the computer's", () => {
    expect(dayText(moment, "Europe/Berlin")).toBe("26 Sep 2026");
    expect(dayText(moment, "America/New_York")).toBe("25 Sep 2026");
    expect(momentText(moment, "Europe/Berlin")).toBe("Sat 26 Sep 2026, 00:30");
    expect(longDayText(moment, "Europe/Berlin")).toBe("26 September 2026");
    expect(longMomentText(moment, "Europe/Berlin")).toBe("26 September 2026 at 00:30");
  });

  it("keep months at three letters, so that dates stand in line", () => {
    const months = Array.from({ length: 12 }, (_, month) =>
      dayText(new Date(Date.UTC(2026, month, 3)).toISOString(), "UTC"),
    );
    expect(months.map((text) => text.length)).toEqual(months.map(() => "3 Jan 2026".length));
  });

  it("count in singular and plural", () => {
    expect([counted(1, "student"), counted(2, "student"), counted(0, "paper")]).toEqual([
      "1 student",
      "2 students",
      "0 papers",
    ]);
  });
});
