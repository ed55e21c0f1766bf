import { describe, expect, it } from "vitest";
import { decimal, required } from "#core/kernel";
import type { AnswerKey } from "#core/model";
import { assignmentId, reference, wholeClass, withAnswers } from "#core/testing";
import { questionFigures, type Statistic } from "../index";

const value = (statistic: Statistic): number => (statistic.ok ? statistic.value : Number.NaN);
const work = assignmentId("work");
const choice = (...right: number[]): { key: AnswerKey; points: ReturnType<typeof decimal> } => ({
  key: { kind: "choice", options: ["first", "second", "third", "fourth"], right, partial: false },
  points: decimal("1"),
});

function figuresFor(questions: Parameters<typeof withAnswers>[2], rows: string[][]) {
  const state = withAnswers(wholeClass(rows.length, ["work"], { channel: "answers" }), work, questions, rows);
  return required(questionFigures(state, required(state.assignments[work], "work")), "questions");
}

describe("what questions tell about a class", () => {
  it("as published for five items of a thousand examinees (Bock & Lieberman 1970, LSAT6; R psych and ltm)", () => {
    const { input, expected } = reference<
      { patternCounts: Record<string, number> },
      {
        alpha: number;
        itemMean: number[];
        itemSD: number[];
        itemRest: number[];
        upperLower27: { D: number[] };
      }
    >("item.lsat6");
    const rows = Object.entries(input.patternCounts).flatMap(([pattern, count]) =>
      Array.from({ length: count }, () => [...pattern].map((score) => (score === "1" ? "A" : "B"))),
    );
    const found = figuresFor(
      Array.from({ length: 5 }, () => choice(0)),
      rows,
    );
    expect(found.papers).toBe(1000);
    expect(value(found.alpha)).toBeCloseTo(expected.alpha, 9);
    found.questions.forEach((question, at) => {
      expect(value(question.difficulty)).toBeCloseTo(expected.itemMean[at] ?? 0, 9);
      expect(value(question.mean)).toBeCloseTo(expected.itemMean[at] ?? 0, 9);
      expect(value(question.spread)).toBeCloseTo(expected.itemSD[at] ?? 0, 9);
      expect(value(question.itemRest)).toBeCloseTo(expected.itemRest[at] ?? 0, 9);
      expect(value(question.discrimination)).toBeCloseTo(expected.upperLower27.D[at] ?? 0, 9);
      // The published shares are counts of a thousand.
      const right = question.answers.find(({ isRight }) => isRight);
      expect(right?.studentIds.length).toBe(Math.round(1000 * (expected.itemMean[at] ?? 0)));
      expect(question.likelier).toBeNull();
    });
  });

  it("name the answer that the best give where a key calls it wrong, and leave sound keys alone", () => {
    // Ten good papers answer B throughout, ten weak ones the rest; the first key says A.
    const rows = [
      ...Array.from({ length: 10 }, () => ["B", "B", "B", "B"]),
      ...Array.from({ length: 10 }, (_, at) => [at % 2 ? "A" : "C", "A", at % 3 ? "A" : "B", "C"]),
    ];
    const found = figuresFor([choice(0), choice(1), choice(1), choice(1)], rows);
    expect(found.questions.map(({ likelier }) => likelier?.text ?? null)).toEqual(["B", null, null, null]);
    expect(found.questions[0]?.likelier?.studentIds).toHaveLength(10);
    expect(figuresFor([choice(0), choice(1)], rows.slice(0, 9)).questions[0]?.likelier).toBeNull();
  });

  it("put answers together that the key reads alike, the right one marked, and the mean of their rest", () => {
    const number = {
      key: { kind: "numeric", value: "18.36", tolerance: "2", toleranceIn: "percent" } as const,
      points: decimal("3"),
    };
    const found = figuresFor(
      [number, choice(0)],
      [
        ["18,36", "A"],
        ["18.36", "B"],
        ["21", "A"],
        ["", "B"],
      ],
    );
    expect(
      found.questions[0]?.answers.map(({ text, isRight, restMean, studentIds }) => [
        text,
        isRight,
        restMean,
        studentIds.length,
      ]),
    ).toEqual([
      ["18,36", true, 0.5, 2],
      ["", false, 0, 1],
      ["21", false, 1, 1],
    ]);
  });

  it("leave a question that waits for judging out of what goes with what, and list none of its answers", () => {
    const written = { key: { kind: "written" } as const, points: decimal("8") };
    const found = figuresFor(
      [choice(0), written, choice(1)],
      [
        ["A", "Because.", "B"],
        ["B", "So.", "A"],
        ["A", "", "A"],
      ],
    );
    expect(found.questions[1]).toMatchObject({ open: 2, answers: [], likelier: null });
    expect(found.questions[0]).toMatchObject({ open: 0 });
    expect(value(required(found.questions[0], "question").itemRest)).toBeCloseTo(0.5, 9);
  });
});
