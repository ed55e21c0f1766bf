import type { Command } from "#core/changes";
import { decimal, type Id } from "#core/kernel";
import type { Question } from "#core/model";
import { PEOPLE } from "./people";

type SavedQuestion = Extract<Command, { type: "saveQuestions" }>["questions"][number];

const question = (slug: string, prompt: string, points: string, key: Question["key"]): SavedQuestion => ({
  id: `question:${slug}` as Id<"question">,
  prompt,
  points: decimal(points),
  key,
});

/** Six practice questions: four with a key, two judged by hand. */
export const QUESTIONS: readonly SavedQuestion[] = [
  question(
    "scale",
    "A flow of 41 years of record is plotted by rank. What is the return period of the largest, in years?",
    "3",
    {
      kind: "numeric",
      value: "42",
      tolerance: "0.5",
      toleranceIn: "units",
    },
  ),
  question(
    "area",
    "The section is 18 m wide and 1.2 m deep on average, and the mean velocity is 0.85 m/s. What is the flow in m³/s?",
    "3",
    {
      kind: "numeric",
      value: "18.36",
      tolerance: "2",
      toleranceIn: "percent",
    },
  ),
  question("control", "Which of these makes a good control for a gauge?", "2", {
    kind: "choice",
    options: ["A sand bar", "A rock sill", "A bed of weeds", "A bend with a soft bank"],
    right: [1],
    partial: false,
  }),
  question("causes", "Which of these shift a rating?", "2", {
    kind: "choice",
    options: ["Scour", "Weed growth", "A dry summer", "A moved gauge board"],
    right: [0, 1, 3],
    partial: true,
  }),
  question("name", "What is the curve called that gives the flow for a stage?", "2", {
    kind: "short",
    accepted: ["rating curve", "rating", "stage-discharge curve"],
  }),
  question("why", "Why is the rating most uncertain just where it matters most?", "8", { kind: "written" }),
];

const WHY = [
  "Because the highest flows are rare and dangerous, so nobody gauges them; the curve is drawn on beyond its last point.",
  "The formula is not good for large values.",
  "Large floods leave the channel. Above the bank the width changes and the curve that was fitted inside the banks no longer holds.",
  "Nobody is at the bridge at night when the flood comes, and the boat cannot be used. So the points at the top are missing.",
  "",
];

const knowsTheRest = (index: number): boolean =>
  index % 5 !== 2 && index % 6 !== 1 && index % 3 !== 2 && index % 4 !== 2;

/** Invented answers: most right, some with a slip, some blank. */
export const ANSWERS: readonly (readonly [slug: string, answers: readonly string[]])[] = PEOPLE.filter(
  (_, index) => index % 4 !== 3,
).map(({ slug }, index) => [
  slug,
  [
    index % 5 === 2 ? "41" : "42",
    index % 6 === 1 ? "21.6" : index % 4 === 0 ? "18,4" : "18.36",
    // Those who know the rest choose another option: the key may be wrong, and Check points it out.
    knowsTheRest(index) ? "D" : index % 7 === 3 ? "A" : "B",
    index % 6 === 1 ? "B, C" : index % 3 === 1 && !knowsTheRest(index) ? "A, D" : "A, B, D",
    index % 4 === 1 ? "Rating curve" : index % 4 === 2 ? "hydrograph" : "rating",
    WHY[index % WHY.length] ?? "",
  ],
]);
