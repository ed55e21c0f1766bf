import { describe, expect, it } from "vitest";
import { chanceWords, fixed, short, told, toldWhy } from "./figure-words";

describe("figures of Check in words", () => {
  it("are rounded, without zeros nobody needs, with a true minus and never a minus nought", () => {
    expect([short(12), short(12.04), short(12.34, 2), short(100), short(-3.25, 2)]).toEqual([
      "12",
      "12",
      "12.34",
      "100",
      "−3.25",
    ]);
    expect([fixed(-0.19, 2), fixed(-0.001, 2), fixed(5)]).toEqual(["−0.19", "0.00", "5.0"]);
  });

  it("say why there is none instead of a figure", () => {
    const none = { ok: false, issue: { code: "too_few", least: 2, given: 1 } } as const;
    expect([told(none), toldWhy(none)]).toEqual(["–", "Not computable: needs 2, there is 1"]);
    expect(toldWhy({ ok: true, value: 1 })).toBeUndefined();
  });

  it("call a difference what chance makes of it", () => {
    expect([0.3, 0.05, 0.049, 0.009].map(chanceWords)).toEqual([
      "within chance",
      "within chance",
      "hardly by chance",
      "more than chance would do",
    ]);
  });
});
