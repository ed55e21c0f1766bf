import { describe, expect, it } from "vitest";
import { visibleTotals } from "#core/release";
import { assignmentId, run, smallCourse, studentId } from "#core/testing";
import { toldWords } from "#core/words";
import type { Command } from "../../index";

const quiz = assignmentId("quiz");
const ada = studentId("ada");
const score = (text: string): Command => ({ type: "setScore", assignmentId: quiz, studentId: ada, text });
const release: Command = { type: "release", assignmentId: quiz, facets: ["score"] };
const openTotal: Command = { type: "sealTotal", id: "course", state: "released", at: null, shows: "percent" };
const account = (state: ReturnType<typeof run>) =>
  visibleTotals(state, ada).flatMap(({ text, parts }) => [
    text,
    ...parts.flatMap(({ items }) => items.map((line) => toldWords(line.told))),
  ]);

describe("a total that rests on all work", () => {
  const given = run(smallCourse({ totalsRestOn: "all" }), score("10"), release, score("15"), openTotal);

  it("is given with the scores as they were given, and keeps its figure when one of them is given anew", () => {
    expect(account(given)).toEqual(["75.0", null, "10 / 20"]);
    expect(account(run(given, release))).toEqual(["75.0", null, "15 / 20"]);
  });

  it("tells no score in its account that is only typed", () => {
    expect(account(run(given, release, score("18")))).toEqual(["75.0", null, "15 / 20"]);
  });
});
