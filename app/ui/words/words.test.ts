import { describe, expect, it } from "vitest";
import type { ChangeIssue } from "#core/changes";
import type { CourseFileIssue } from "#core/formats";
import { decimal, type Instant } from "#core/kernel";
import { canConfirm, clockText, fileIssueWords, issueWords } from "./words";

const d = decimal;
const ISSUES: ChangeIssue[] = [
  { code: "not_a_number", text: "abc" },
  { code: "too_many_places", text: "1.23456", maximum: 4 },
  { code: "too_large", text: "9999999999" },
  { code: "entry_not_understood", text: "zz" },
  { code: "late_units_not_whole", text: "18 l" },
  { code: "score_below_zero", text: "-3" },
  { code: "score_above_maximum", text: "105", maximum: d("100"), canConfirm: true },
  { code: "points_outside_ruler", text: "99", minimum: d("0"), maximum: d("20") },
  { code: "points_between_levels", text: "4", below: d("3"), above: d("5"), canConfirm: true },
  { code: "student_is_missing", canConfirm: true },
  { code: "student_is_excused", canConfirm: true },
  { code: "no_rubric_level", digit: 7 },
  { code: "seen_differs", seen: "1", present: "2" },
  { code: "changed_elsewhere", table: "results", id: "x" },
  { code: "unknown_record", what: "student", id: "x" },
  { code: "input_not_valid", path: "name", fault: { kind: "too_long", most: 200 } },
  { code: "nothing_to_change" },
  { code: "nothing_to_release" },
  { code: "time_is_past", at: "2026-10-26T12:00:00Z" as Instant },
  { code: "number_taken", number: "L1" },
  { code: "name_taken", name: "Essay" },
  { code: "nothing_to_undo" },
  { code: "nothing_to_redo" },
];

describe("the words of a refusal", () => {
  it.each(ISSUES)("$code is one or two sentences without a code in them", (issue) => {
    const words = issueWords(issue);
    expect(words).toMatch(/[.]$/);
    expect(words).not.toContain("_");
    expect(words).not.toMatch(/undefined|null|NaN|\[object/);
    expect(words.length).toBeLessThan(160);
  });

  it("name what was typed and what would fit", () => {
    expect(issueWords({ code: "score_above_maximum", text: "105", maximum: d("100"), canConfirm: true })).toBe(
      "105 is above the maximum of 100. Enter again to keep it, or correct it.",
    );
    expect(issueWords({ code: "points_outside_ruler", text: "99", minimum: d("0"), maximum: d("20") })).toContain(
      "0 to 20",
    );
    expect(issueWords({ code: "seen_differs", seen: "1", present: "" })).toContain('"nothing"');
  });

  it("know which can be confirmed", () => {
    expect(ISSUES.filter(canConfirm).map(({ code }) => code)).toEqual([
      "score_above_maximum",
      "points_between_levels",
      "student_is_missing",
      "student_is_excused",
    ]);
  });

  it.each<CourseFileIssue>([
    { code: "file_not_an_archive" },
    { code: "file_not_a_course" },
    { code: "file_newer", version: 7, known: 1 },
    { code: "file_part_missing", part: "journal.json" },
    { code: "file_part_damaged", part: "journal.json" },
    { code: "file_too_large", bytes: 3e9 },
  ])("of a course file ($code) say what to do", (issue) => {
    expect(fileIssueWords(issue)).toMatch(/[.]$/);
    expect(fileIssueWords(issue)).not.toContain("undefined");
  });
});

describe("moments in words", () => {
  it("tell the hour and the minute for what was kept", () => {
    expect(clockText("2026-09-25T12:02:00Z")).toMatch(/^\d\d:\d\d$/);
  });
});
