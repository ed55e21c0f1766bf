import { describe, expect, it } from "vitest";
import { decimal, type Id } from "#core/kernel";
import type { CommentsCopy, RubricCopy } from "#core/model";
import { feedbackSheet } from "./feedback-sheet";

const criterion = "criterion:record" as Id<"criterion">;
const rubric: RubricCopy = {
  rows: [
    {
      criterionId: criterion,
      name: "Record",
      points: decimal("16"),
      maximum: decimal("20"),
      level: "Full",
      descriptor: "All named",
      notApplicable: false,
    },
    {
      criterionId: "criterion:style" as Id<"criterion">,
      name: "Style",
      points: null,
      maximum: decimal("10"),
      level: null,
      descriptor: "",
      notApplicable: true,
    },
  ],
  answers: [],
};
const note = (criterionId: Id<"criterion"> | null, exact: string, body: string) => ({
  id: `note:${exact}` as Id<"note">,
  assignmentId: "assignment:essay" as Id<"assignment">,
  studentId: "student:ada" as Id<"student">,
  fileId: "file:ada" as Id<"file">,
  mark: "highlight" as const,
  target: { kind: "passage" as const, page: 1, start: 0, end: exact.length, exact, prefix: "", suffix: "" },
  criterionId,
  colour: null,
  body,
  criterionName: null,
});
const comments: CommentsCopy = {
  overall: "**Good** work.",
  criteria: [{ criterionId: criterion, name: "Record", comment: "Name the gauge." }],
  files: [],
  attachments: [],
  notes: [note(criterion, "the gauge", "Which?"), note(null, "a slip", "")],
};
const sheet = (parts: Partial<Parameters<typeof feedbackSheet>[0]>) =>
  feedbackSheet({
    title: "Essay",
    course: "Small",
    name: "Ada",
    score: null,
    rubric: null,
    comments: null,
    outcomes: null,
    ...parts,
  });

describe("the page behind a marked paper", () => {
  it("has each criterion with its level, comment and passages, and the other remarks by themselves", () => {
    expect(sheet({ rubric, comments })).toMatchObject({
      overall: "Good work.",
      score: null,
      criteria: [
        {
          name: "Record",
          points: "16 / 20",
          level: "Full: All named",
          comment: "Name the gauge.",
          passages: [{ quote: "the gauge", words: "Which?" }],
        },
        { name: "Style", points: "does not apply", level: "", passages: [] },
      ],
      others: [{ quote: "a slip", words: "" }],
    });
  });

  it("tells outcomes behind the criteria, in levels and apart from the score", () => {
    const outcomes = {
      rows: [{ criterionId: criterion, name: "Care", level: "Owns", descriptor: "Sees all.", comment: "Yes." }],
      attainment: { scale: "Reach", level: "Met" },
    };
    expect(sheet({ outcomes }).criteria).toEqual([
      { name: "Care, apart from the score", points: "Owns", level: "Sees all.", comment: "Yes.", passages: [] },
      { name: "Reach, apart from the score", points: "Met", level: "", comment: "", passages: [] },
    ]);
  });

  it("tells no points where the rubric is sealed", () => {
    const sealed = sheet({ comments });
    expect(sealed.criteria).toMatchObject([{ name: "Record", points: "", level: "", comment: "Name the gauge." }]);
    expect(JSON.stringify(sealed)).not.toContain("16");
  });

  it("says what the score was before the deduction", () => {
    const score = {
      standing: "handedIn",
      points: decimal("71"),
      exact: "71/1",
      level: null,
      maximum: decimal("100"),
      beforeDeduction: decimal("81"),
      unitsLate: 2,
    } as const;
    expect(sheet({ score })).toMatchObject({ score: "71 / 100", scoreNote: "81 before the deduction for being late" });
  });
});
