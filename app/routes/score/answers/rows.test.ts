import { expect, it } from "vitest";
import { criterionId, studentId } from "#core/testing";
import { togetherAlike, type AnswerSheet } from "./rows";

const sheet = (name: string, reading: string, more: Partial<AnswerSheet> = {}): AnswerSheet => ({
  studentId: studentId(name),
  title: name,
  text: reading,
  points: null,
  setByHand: false,
  byKey: null,
  comment: "",
  reading,
  file: null,
  marks: [],
  zones: [],
  ...more,
});
const SHEETS = [
  sheet("ada", "42"),
  sheet("ben", "7"),
  sheet("cleo", "42"),
  sheet("dan", "42", { points: "3", setByHand: true }),
  sheet("eve", "42"),
];
const lines = (apart: ReadonlySet<string> | "all") =>
  togetherAlike(SHEETS, apart).map(({ title, alike }) => [title, ...alike.map((one) => one.title)].join("+"));

it("equal answers stand together at the place of the first; one that was judged otherwise stands by itself", () => {
  expect(lines(new Set())).toEqual(["ada+cleo+eve", "ben", "dan"]);
});

it("answers that are read from the paper stand one by one, whatever their text", () => {
  const zones = [{ of: criterionId("any"), page: 1, x: 0, y: 0, width: 1, height: 0.2 }];
  const onPaper = ["ada", "ben"].map((name) => sheet(name, "", { zones }));
  expect(togetherAlike([...onPaper, sheet("cleo", ""), sheet("dan", "")], new Set()).map(({ title }) => title)).toEqual(
    ["ada", "ben", "cleo"],
  );
});

it("they are taken apart one by one, or all", () => {
  expect(lines(new Set(["42"]))).toEqual(["ada", "ben", "cleo", "dan", "eve"]);
  expect(lines(new Set(["7"]))).toEqual(["ada+cleo+eve", "ben", "dan"]);
  expect(lines("all")).toHaveLength(5);
});
