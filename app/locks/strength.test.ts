import { describe, expect, it } from "vitest";
import { newPassphrase } from "./passphrase";
import { judged } from "./strength";
import { strengthOf } from "./strength-words";

describe("how long a passphrase withstands guessing", () => {
  it("counts a day, a year, a hundred years of tries", () => {
    expect([1, 8.64e7 - 1, 8.64e7, 3.1e10, 3.2e10, 3.1e12, 3.2e12].map(strengthOf)).toEqual([
      "atOnce",
      "atOnce",
      "days",
      "days",
      "years",
      "years",
      "ages",
    ]);
  });

  it("knows what people choose, and what is about the course", () => {
    for (const easy of ["password", "qwertz123", "letmein2026", "Summer2026!", "aaaaaaaaaaaa"]) {
      expect([easy, judged(easy, [])]).toEqual([easy, "atOnce"]);
    }
    expect(judged("Reading Rivers", ["Reading Rivers"])).toBe("atOnce");
    expect(judged("seven wet herons under a bridge", [])).toBe("ages");
    expect(judged(newPassphrase(), [])).toBe("ages");
  });
});
