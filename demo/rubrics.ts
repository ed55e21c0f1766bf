import { decimal, type Id } from "#core/kernel";
import type { Rubric } from "#core/model";

type LevelRow = readonly [name: string, min: string, max: string, descriptor: string];
type CriterionRow = readonly [name: string, levels: readonly LevelRow[]];

function rubric(slug: string, name: string, rows: readonly CriterionRow[]): Rubric {
  return {
    id: `rubric:${slug}` as Id<"rubric">,
    name,
    proposal: "top",
    purpose: "score",
    scaled: true,
    criteria: rows.map(([criterion, levels], place) => ({
      id: `criterion:${slug}-${String(place + 1)}` as Id<"criterion">,
      name: criterion,
      step: decimal("0.5"),
      asksEvidence: false,
      weight: null,
      levels: levels.map(([level, min, max, descriptor], index) => ({
        id: `level:${slug}-${String(place + 1)}-${String(index + 1)}` as Id<"level">,
        name: level,
        min: decimal(min),
        max: decimal(max),
        descriptor,
      })),
    })),
  };
}

export const memoRubric = rubric("memo", "Memo to a board", [
  [
    "Use of the record",
    [
      ["Thin", "0", "8", "Figures taken as given; gaps and doubts about the record not named."],
      ["Sound", "8.5", "15.5", "All gauged years used; gaps named but not treated."],
      ["Full", "16", "20", "Gaps named and their effect on the estimate shown."],
    ],
  ],
  [
    "Reasoning from flow to risk",
    [
      ["Asserted", "0", "6", "Conclusions stated; the step from figure to risk is missing or wrong."],
      ["Argued", "6.5", "13", "The step is there; what it rests on is partly shown."],
      ["Demonstrated", "13.5", "20", "Every step shown, with its uncertainty, and in the right units."],
    ],
  ],
  [
    "Plain writing",
    [
      ["Hard going", "0", "3.5", "A reader of the board would have to guess."],
      ["Clear", "4", "7", "Said plainly; some sentences carry nothing."],
      ["A pleasure", "7.5", "10", "Nothing to add and nothing to take away."],
    ],
  ],
]);

export const reportRubric = rubric("report", "Gauging report", [
  [
    "Method",
    [
      ["Named", "0", "4", "The method is named only."],
      ["Described", "4.5", "7.5", "Another pair could repeat it with questions."],
      ["Repeatable", "8", "10", "Another pair could repeat it from the page."],
    ],
  ],
  [
    "Readings",
    [
      ["Gaps", "0", "4", "Readings missing or without units."],
      ["Complete", "4.5", "8", "All readings, with units."],
      ["Checked", "8.5", "10", "All readings, with repeats and their spread."],
    ],
  ],
  [
    "Computation",
    [
      ["Faulty", "0", "6", "The flow does not follow from the readings."],
      ["Right", "6.5", "12", "The flow follows; the way is hard to see."],
      ["Traceable", "12.5", "15", "Each figure can be followed to a reading."],
    ],
  ],
  [
    "Uncertainty",
    [
      ["Absent", "0", "3", "No word on how good the figure is."],
      ["Named", "3.5", "7", "Sources of error are named."],
      ["Estimated", "7.5", "10", "Sources of error are put into figures."],
    ],
  ],
  [
    "Presentation",
    [
      ["Rough", "0", "2", "Hard to find anything."],
      ["Orderly", "2.5", "4", "In order; figures have captions."],
      ["Handsome", "4.5", "5", "One wants to read it."],
    ],
  ],
]);

export const storyRubric = rubric("story", "Story map", [
  ["Choice of stops", levels("10", "Scattered", "Sensible", "Telling")],
  ["Evidence", levels("10", "Claimed", "Shown", "Measured")],
  ["Map work", levels("10", "Rough", "Readable", "Exact")],
  ["The thread", levels("10", "Loose", "Held", "Drawn tight")],
  ["Sources", levels("10", "Missing", "Named", "Traceable")],
]);

export const notebookRubric = rubric("notebook", "Field notebook", [
  ["Entries", levels("25", "Sparse", "Regular", "Every day")],
  ["Sketches", levels("15", "Few", "Useful", "Speaking")],
]);

export const sketchRubric = rubric("sketch", "Site sketch", [
  ["Scale and orientation", levels("5", "Missing", "There", "Right")],
  ["What was observed", levels("10", "Guessed", "Seen", "Seen and measured")],
  ["Labels", levels("5", "Few", "Enough", "Clear")],
]);

/** What the programme wants of every graduate, recorded beside the scores. */
export const outcomesRubric: Rubric = {
  ...rubric("outcomes", "What the programme asks", [
    ["Observes with care", attained("sees what is there", "sees what matters", "sees what others miss")],
    ["Reasons from measurement", attained("quotes figures", "uses figures", "weighs figures")],
  ]),
  purpose: "outcomes",
};

/** Three levels of attainment, without a scale of points between them. */
function attained(...words: readonly [string, string, string]): readonly LevelRow[] {
  return (["Begins", "Grows", "Owns"] as const).map((name, index): LevelRow => {
    const points = String(index + 1);
    return [name, points, points, `The student ${words[index] ?? ""}.`];
  });
}

/** Three levels that share a ruler: up to 40 %, up to 75 %, and up to the top, on the half point. */
function levels(maximum: string, ...names: readonly [string, string, string]): readonly LevelRow[] {
  const half = (share: number) => String(Math.round(Number(maximum) * share * 2) / 2);
  const next = (share: number) => String(Math.round(Number(maximum) * share * 2) / 2 + 0.5);
  return [
    [names[0], "0", half(0.4), ""],
    [names[1], next(0.4), half(0.75), ""],
    [names[2], next(0.75), maximum, ""],
  ];
}
