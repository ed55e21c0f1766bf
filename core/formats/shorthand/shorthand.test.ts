import { describe, expect, it } from "vitest";
import { readDate, readShorthand, shortNameOf } from "../index";
import { daysOn } from "./shorthand-date";

const setting = { today: "2026-09-01", scales: [{ id: "scale:att" as never, name: "Attainment" }] };
const read = (text: string) => readShorthand(text, setting);
const only = (text: string) => read(text).items[0];

describe("shorthand for assignments", () => {
  it("makes a series with its dates a week apart", () => {
    const { items, issues } = read("Field sheet 1-6, 12 points, weekly from 14 Sep");
    expect(issues).toEqual([]);
    expect(items.map(({ name }) => name)).toEqual([1, 2, 3, 4, 5, 6].map((number) => `Field sheet ${String(number)}`));
    expect(items.map(({ dueAt }) => dueAt?.slice(5))).toEqual([
      "09-14T23:59",
      "09-21T23:59",
      "09-28T23:59",
      "10-05T23:59",
      "10-12T23:59",
      "10-19T23:59",
    ]);
    expect(items.every(({ points, channel, bonus }) => points === "12" && channel === "file" && !bonus)).toBe(true);
  });

  it.each([
    ["Essay, 20 points, in Papers", { category: "Papers", points: "20", dueAt: null }],
    ["Essay, 20 points, in Papers 45 %", { category: "Papers", categoryWeight: "45" }],
    ["Essay, 20 points, in Year 2", { category: "Year 2", categoryWeight: null }],
    ["Essay, 20 points, above the maximum", { aboveAllowed: true, category: null }],
    ["Sheet 1-2, 5, weekly from 14 Sep, in Field work", { category: "Field work", dueAt: "2026-09-14T23:59" }],
    ["Essay, 20.5p, due 3 Nov 18:00", { points: "20.5", dueAt: "2026-11-03T18:00" }],
    ["Essay, 20, 3 Nov, 09:30, given 7 days before", { dueAt: "2026-11-03T09:30", givenAt: "2026-10-27T09:30" }],
    ["Exam, 100 points, on paper, not counted", { channel: "paper", counts: false }],
    ["Talk, of 10, as discussion, in groups, hidden", { channel: "discussion", grouping: "groups", hidden: true }],
    ["Count, 0 points, bonus, nothing handed in", { bonus: true, channel: "nothing", points: "0" }],
    ["Memo, 50, percent, 2 attempts", { scoredIn: { kind: "percent" }, attemptsAllowed: 2 }],
    ["Check, 4, attainment", { scoredIn: { kind: "scale", scaleId: "scale:att" } }],
  ])("reads %s", (text, expected) => {
    expect(only(text)).toMatchObject(expected);
  });

  it("reads several lines, letters for numbers, and every so many days or weeks", () => {
    const { items } = read("Case A-C, 5, every 2 weeks from 14 Sep\n\nDrill 1-2, 3, every 3 days from 2026-09-14");
    expect(items.map(({ name, dueAt }) => [name, dueAt?.slice(0, 10)])).toEqual([
      ["Case A", "2026-09-14"],
      ["Case B", "2026-09-28"],
      ["Case C", "2026-10-12"],
      ["Drill 1", "2026-09-14"],
      ["Drill 2", "2026-09-17"],
    ]);
  });

  it.each([
    ["Essay", "no_points", "Essay"],
    [", 5 points", "no_name", ", 5 points"],
    ["Essay, 5, on the moon", "part_not_understood", "on the moon"],
    ["Essay, 5, 31 Feb", "part_not_understood", "31 Feb"],
    ["Essay, 5, 3 Nov, 25:10", "part_not_understood", "25:10"],
    ["Essay 1-200, 5", "range_too_long", "Essay 1-200"],
    ["Essay 1-3, 5, weekly", "series_without_start", "weekly"],
  ])("%s is pointed out as %s", (text, code, what) => {
    expect(read(`Quiz, 3\n${text}`)).toMatchObject({
      items: [{ name: "Quiz" }],
      issues: [{ line: 2, code, text: what }],
    });
  });

  it("takes a comma between two digits for decimals where the course writes them so, and for a parting elsewhere", () => {
    const comma = readShorthand("Sheet, 12,5 points,14 Sep, in Field work 33,5 %", {
      ...setting,
      decimalMark: "comma",
    });
    expect(comma.issues).toEqual([]);
    expect(comma.items[0]).toMatchObject({ points: "12.5", category: "Field work", categoryWeight: "33.5" });
    expect(read("Sheet, 12,5 points").items[0]?.points ?? null).not.toBe("12.5");
    expect(only("Sheet, 12.5 points")?.points).toBe("12.5");
  });

  it("takes a range that runs backwards for a name", () => {
    expect(only("Chapter 7-3, 5")?.name).toBe("Chapter 7-3");
  });

  it.each([
    ["Essay", "Essay"],
    ["Field sheet 3", "Field sheet 3"],
    ["Weekly field sheet 3", "Sheet 3"],
    ["Flood-frequency memo", "Flood-frequen."],
    ["Reading response to the first chapter", "Reading to the"],
    ["Hydrogeomorphology 12", "Hydrogeomo. 12"],
  ])("proposes for %s the short name %s", (name, short) => {
    const proposed = shortNameOf(name);
    expect(proposed.length).toBeLessThanOrEqual(15);
    expect([name, proposed]).toEqual([name, short]);
  });
});

describe("a date as people write it", () => {
  it.each([
    ["14 Sep", "2026-09-14T23:59"],
    ["Mon 14 September 2026 18:00", "2026-09-14T18:00"],
    ["Sep 14", "2026-09-14T23:59"],
    ["14.9.", "2026-09-14T23:59"],
    ["14.9.2027 at 9:05", "2027-09-14T09:05"],
    ["2026-09-14", "2026-09-14T23:59"],
    ["1st Jan", "2027-01-01T23:59"],
    ["1 Jul", "2026-07-01T23:59"],
    ["1 May", "2027-05-01T23:59"],
    ["29 Feb", "2028-02-29T23:59"],
    ["30 Feb", null],
    ["14 Foo", null],
    ["soon", null],
    ["14 Sep 24:00", null],
  ])("%s is %s", (text, expected) => {
    expect(readDate(text, "2026-09-01")).toBe(expected);
  });

  it("reads one that is all figures in the order of the course, and never in the other", () => {
    expect(readDate("3/10", "2026-09-01")).toBe("2026-10-03T23:59");
    expect(readDate("3/10", "2026-09-01", "month")).toBe("2027-03-10T23:59");
    expect(readDate("12/9/2026 18:00", "2026-09-01", "month")).toBe("2026-12-09T18:00");
    expect(readDate("25/12/2026", "2026-09-01")).toBe("2026-12-25T23:59");
    expect(readDate("25/12/2026", "2026-09-01", "month")).toBeNull();
    // With points it is the day first, whatever the course says.
    expect(readDate("3.10.", "2026-09-01", "month")).toBe("2026-10-03T23:59");
  });

  it("some days on keeps its time of day over months and years", () => {
    expect(daysOn("2026-12-28T18:00", 7)).toBe("2027-01-04T18:00");
    expect(daysOn("2028-02-28T18:00", 1)).toBe("2028-02-29T18:00");
  });
});
