import { describe, expect, it } from "vitest";
import { runCommand } from "#core/changes";
import { decimal, type Id, type Instant } from "#core/kernel";
import { resultKey, resultOf, type CourseState } from "#core/model";
import { assignmentId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { asItLeft, scoresIn, scoresSheets } from "./scores-sheet";
import type { Sheet, SheetCell } from "./sheet";
import { findHead } from "./sheet-columns";
import { mannerOf, sheetEntry } from "./sheet-entry";
import { cellsToEnter, previewSheet, type SheetCellPreview } from "./sheet-preview";

const AT = "2026-10-26T12:00:00Z" as Instant;
const [essay, quiz] = [assignmentId("essay"), assignmentId("quiz")];
// Ada Ames N1, Ben Bolt N2, Cleo Crane N3; essay of 100, quiz of 20.
const course = smallCourse();
const quizOf = course.assignments[quiz] as NonNullable<(typeof course.assignments)[string]>;
const sheet = (...rows: (readonly SheetCell[])[]): Sheet => ({ name: "Sheet1", rows });

const told = ({ outcome, before, comment }: SheetCellPreview): string => {
  const note = comment === null ? "" : ` "${comment}"`;
  if (outcome.kind === "new" || outcome.kind === "changes") return `${before || "–"} -> ${outcome.after}${note}`;
  if (outcome.kind === "changedHere") return `left ${outcome.left}, here ${before}, there ${outcome.after}`;
  return outcome.kind === "refused" || outcome.kind === "asks" ? `${outcome.kind} ${outcome.why.code}` : `same${note}`;
};
function preview(
  state: CourseState,
  one: Sheet,
  into: typeof quiz | null = quiz,
  left: Map<string, string> | null = null,
) {
  const head = findHead(state, one, into);
  if (!head) return null;
  const looked = previewSheet(state, one, head, left);
  return {
    looked,
    rows: looked.rows.map(
      ({ student, issue, cells }) => `${student?.number ?? issue?.code ?? ""}: ${cells.map(told).join(", ")}`,
    ),
    absent: looked.absent.map(({ number }) => number),
  };
}

describe("the head of a sheet", () => {
  it.each<[string, Sheet, string[]]>([
    [
      "in the first row",
      sheet(["Number", "Name", "Essay (of 100)", "Essay comment"]),
      ["number", "name", "score assignment:essay", "comment assignment:essay"],
    ],
    [
      "below a preamble",
      sheet(
        ["Laboratory of hydrology"],
        [],
        ["Results of", "October"],
        ["Matrikelnr.", "Nachname", "Vorname", "Punkte", "Bemerkung"],
        ["N1", "Ames", "Ada", "17,5", ""],
      ),
      ["number", "family", "given", "score assignment:quiz", "comment assignment:quiz"],
    ],
    [
      "with the maximum in it",
      sheet(["Student ID", "E-mail", "quiz / 20", "Mean"]),
      ["number", "email", "score assignment:quiz", "nothing"],
    ],
    ["with two columns for one thing", sheet(["No.", "Quiz", "Quiz"]), ["number", "score assignment:quiz", "nothing"]],
  ])("%s", (_, one, expected) => {
    const head = findHead(course, one, quiz);
    expect(
      head?.columns.map(({ meaning }) =>
        "assignmentId" in meaning ? `${meaning.kind} ${meaning.assignmentId}` : meaning.kind,
      ),
    ).toEqual(expected);
  });

  it("is not found where nothing says who a row is of", () => {
    expect(findHead(course, sheet(["Essay", "Quiz"], [1, 2]), quiz)).toBeNull();
    expect(findHead(course, sheet(), quiz)).toBeNull();
  });
});

describe("a cell of a sheet", () => {
  const commas = mannerOf(["17,5", "9,25"], "point");
  const points = mannerOf(["17.5"], "point");
  const both = mannerOf(["17.5", "9,25"], "point");
  const letters = [
    { letter: "A", from: decimal("90") },
    { letter: "M", from: decimal("80") },
  ];

  it("what could be thousands is decimals where it stands as the course writes them, and is refused where it does not", () => {
    const german = mannerOf(["1,234"], "comma");
    expect(sheetEntry("1,234", quizOf, german, letters)).toEqual({ ok: true, text: "1.234" });
    expect(sheetEntry("1.234", quizOf, german, letters)).toMatchObject({ issue: { code: "comma_unclear" } });
    expect(sheetEntry("1.234", quizOf, points, letters)).toEqual({ ok: true, text: "1.234" });
    expect(sheetEntry(1.234, quizOf, german, letters)).toEqual({ ok: true, text: "1.234" });
  });

  it("a letter of the course is where its band begins, and is asked about; the entry language comes first", () => {
    expect(sheetEntry("a", quizOf, points, letters)).toEqual({
      ok: true,
      text: "90%",
      asks: { code: "letter_read", letter: "A", from: "90" },
    });
    expect(sheetEntry("M", quizOf, points, letters)).toEqual({ ok: true, text: "M" });
    const onScale = { ...quizOf, scoredIn: { kind: "scale" as const, scaleId: "scale:a" as Id<"scale"> } };
    expect(sheetEntry("A", onScale, points, letters)).toEqual({ ok: true, text: "A" });
  });

  it.each<[string, SheetCell, typeof commas, string]>([
    ["a figure", 17.5, points, "17.5"],
    ["a sum of doubles", 0.1 + 0.2, points, "0.3"],
    ["a decimal comma", "17,5", commas, "17.5"],
    ["a share of the maximum", "18/20", points, "18"],
    ["a share with commas", "17,5 / 20", commas, "17.5"],
    ["a percentage", "85 %", points, "85%"],
    ["words", "Missing", points, "m"],
    ["the entry language", "18 l2", points, "18 l2"],
    ["nothing", null, points, ""],
    ["a guarded text", "'-", points, ""],
  ])("%s", (_, cell, manner, expected) => {
    expect(sheetEntry(cell, quizOf, manner, letters)).toEqual({ ok: true, text: expected });
  });

  it.each<[string, SheetCell, typeof commas, string]>([
    ["of another maximum", "18/25", points, "other_maximum"],
    ["a comma beside points", "9,25", both, "comma_unclear"],
    ["a comma before three places", "1,234", commas, "comma_unclear"],
    ["a formula that failed", "#DIV/0!", points, "formula_error"],
  ])("%s is refused", (_, cell, manner, code) => {
    expect(sheetEntry(cell, quizOf, manner, letters)).toMatchObject({ ok: false, issue: { code } });
  });
});

describe("a sheet looked over", () => {
  const scored = run(course, { type: "setScore", assignmentId: quiz, studentId: studentId("ada"), text: "15" });

  it("tells of each cell whether it is new, another, the same, unusual or refused, and of whom nothing is said", () => {
    const looked = preview(
      scored,
      sheet(["Number", "Quiz"], ["N1", 16], ["N2", "25"], ["N9", 3], [], ["Mean", 12], ["N1", 4]),
    );
    expect(looked?.rows).toEqual(["N1: 15 -> 16", "N2: asks score_above_maximum", "nobody: ", "nobody: ", "twice: "]);
    expect(looked?.absent).toEqual(["N3"]);
  });

  it("takes letters in only when that is confirmed", () => {
    const looked = preview(scored, sheet(["Number", "Quiz"], ["N2", "B"], ["N3", "Q"]));
    expect(looked?.rows).toEqual(["N2: asks letter_read", "N3: refused entry_not_understood"]);
  });

  it("never reads a student number in the wrong column as an entry", () => {
    const looked = preview(scored, sheet(["Name", "Quiz"], ["Ben Bolt", "L26048"], ["Cleo Crane", "M26048"]));
    expect(looked?.rows).toEqual(["N2: refused late_units_not_whole", "N3: refused not_a_number"]);
  });

  it("finds students by name either way round, and by address; a number and a name that differ are nobody", () => {
    const withMail = run(scored, {
      type: "editStudent",
      studentId: studentId("cleo"),
      fields: { email: "cleo@larkmere.example" },
    });
    expect(preview(withMail, sheet(["Name", "Quiz"], ["Bolt, Ben", 9], ["Ada Ames", "15"]))?.rows).toEqual([
      "N2: – -> 9",
      "N1: same",
    ]);
    expect(preview(withMail, sheet(["E-mail", "Quiz"], ["CLEO@larkmere.example", 8]))?.rows).toEqual(["N3: – -> 8"]);
    expect(preview(withMail, sheet(["Number", "Name", "Quiz"], ["N1", "Ben Bolt", 8]))?.rows).toEqual([
      "number_and_name_differ: ",
    ]);
    expect(preview(withMail, sheet(["First name", "Last name", "Quiz"], ["Ben", "Bolt", 8]))?.rows).toEqual([
      "N2: – -> 8",
    ]);
  });

  it("takes comments along, also where the score stays as it is", () => {
    const looked = preview(
      scored,
      sheet(["Number", "Quiz", "Quiz comment"], ["N1", 15, "Good"], ["N2", 9, "Fine"], ["N3", "", "Ill"]),
    );
    expect(looked?.rows).toEqual(['N1: same "Good"', 'N2: – -> 9 "Fine"', 'N3: same "Ill"']);
    const cells = looked ? cellsToEnter(looked.looked, { asked: false, theirs: new Set() }) : [];
    const after = run(scored, { type: "enterScores", how: "from a spreadsheet", cells });
    const of = (student: string) => resultOf(after, quiz, studentId(student));
    expect([of("ada").score, of("ada").overallComment]).toEqual(["15", "Good"]);
    expect([of("cleo").score, of("cleo").overallComment]).toEqual([null, "Ill"]);
  });

  it("an empty cell, and one left as it was, change nothing, whatever became of it here", () => {
    const left = new Map([[resultKey(quiz, studentId("ada")), "12"]]);
    expect(preview(scored, sheet(["Number", "Quiz"], ["N1", 12], ["N2", null]), quiz, left)?.rows).toEqual([
      "N1: same",
      "N2: same",
    ]);
  });

  it("where both changed since the sheet left, both values are told and one is chosen", () => {
    const left = new Map([[resultKey(quiz, studentId("ada")), "12"]]);
    const looked = preview(scored, sheet(["Number", "Quiz"], ["N1", 13]), quiz, left);
    expect(looked?.rows).toEqual(["N1: left 12, here 15, there 13"]);
    const entered = (theirs: readonly string[]) =>
      (looked ? cellsToEnter(looked.looked, { asked: false, theirs: new Set(theirs) }) : []).map(({ text }) => text);
    expect(entered([])).toEqual([]);
    expect(entered([resultKey(quiz, studentId("ada"))])).toEqual(["13"]);
  });

  it("what is unusual is entered only when that is said", () => {
    const looked = preview(scored, sheet(["Number", "Quiz"], ["N2", 25]));
    const cells = (asked: boolean) => (looked ? cellsToEnter(looked.looked, { asked, theirs: new Set() }) : []);
    expect(cells(false)).toEqual([]);
    const entered = { type: "enterScores" as const, how: "from a spreadsheet" as const, cells: cells(true) };
    expect(runCommand(scored, { ...entered, confirmed: true }, WORLD).ok).toBe(true);
    expect(runCommand(scored, entered, WORLD).ok).toBe(false);
  });
});

describe("a class taken out and brought back", () => {
  const scored = run(
    course,
    { type: "setScore", assignmentId: quiz, studentId: studentId("ada"), text: "15.5" },
    { type: "setScore", assignmentId: quiz, studentId: studentId("ben"), text: "m" },
    { type: "setScore", assignmentId: essay, studentId: studentId("ada"), text: "80 l2" },
  );
  const wish = { assignmentIds: [essay, quiz], comments: true, totals: true, section: true, standing: false };
  const out = scoresSheets(scored, wish, AT);

  it("has a head that is found again, figures as figures, standings as words", () => {
    expect(out[0]?.rows[0]).toEqual([
      "Student number", "Name", "Section", "Essay (of 100)", "Essay comment", "Quiz (of 20)", "Quiz comment", "Course total (%)", "Letter",
    ]); // oxfmt-ignore
    expect(out[0]?.rows[1]?.slice(0, 7)).toEqual(["N1", "Ada Ames", null, "80 l2", null, 15.5, null]);
    expect(out[0]?.rows[2]?.[5]).toBe("missing");
  });

  it("has the columns that were chosen, and those that nobody types change nothing when it comes back", () => {
    const chosen = scoresSheets(
      scored,
      { ...wish, comments: false, totals: false, section: false, standing: true },
      AT,
    );
    expect(chosen[0]?.rows[0]).toEqual([
      "Student number", "Name", "Essay (of 100)", "Essay standing", "Essay late by", "Quiz (of 20)", "Quiz standing", "Quiz late by",
    ]); // oxfmt-ignore
    expect(chosen[0]?.rows[1]?.slice(2, 6)).toEqual(["80 l2", "handed in", 2, 15.5]);
    expect(chosen[0]?.rows[2]?.slice(5)).toEqual(["missing", "missing", null]);
    const [scores] = chosen;
    const looked = scores && preview(scored, scores, null, new Map(asItLeft(chosen) ?? []));
    expect(looked ? cellsToEnter(looked.looked, { asked: true, theirs: new Set() }) : null).toEqual([]);
  });

  it("unchanged, changes nothing at all", () => {
    const sheets = scoresIn(out);
    const looked = sheets && preview(scored, sheets, null, new Map(asItLeft(out) ?? []));
    expect(looked ? cellsToEnter(looked.looked, { asked: true, theirs: new Set() }) : null).toEqual([]);
    expect(looked?.absent).toEqual([]);
  });

  it("one that somebody else made does not say how it left", () => {
    expect(asItLeft([sheet(["Number", "Quiz"])])).toBeNull();
  });
});
