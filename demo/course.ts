import type { Entry } from "#core/changes";
import { required, type FileId, type Instant } from "#core/kernel";
import { makePassage } from "#core/model";
import type { DemoDocument } from "./documents";
import { MEMO_JUDGEMENTS } from "./judgements";
import { assignment, judgeByRubric, judgeOverAll, later, spread, student } from "./judging";
import { Pen } from "./pen";
import { checkSafety, plan } from "./plan";
import { demoPostFiles, demoPosts, SEMINAR } from "./posts";
import { ANSWERS, QUESTIONS } from "./questions";
import { PEOPLE } from "./people";
import { memoRubric, notebookRubric, outcomesRubric, reportRubric, sketchRubric } from "./rubrics";
import { secondMarker } from "./second-marker";
import { MARKER } from "./start";

/** The id a demo document is kept under. */
export const demoFileId = (document: DemoDocument): FileId =>
  `file:${document.assignment}-${document.name.replace(/\W+/g, "-")}` as FileId;

/** The demo course, made by running real changes one after the other. The same documents give the same journal. */
export function demoJournal(documents: readonly DemoDocument[]): Entry[] {
  const pen = new Pen(MARKER);
  plan(pen);
  checkSafety(pen);
  handIn(pen, documents);
  scoreReport(pen);
  scoreFieldWork(pen);
  scoreQuestions(pen);
  scoreMemos(pen, documents);
  discuss(pen);
  practise(pen);
  return pen.entries;
}

function handIn(pen: Pen, documents: readonly DemoDocument[]): void {
  const inOrder = [...documents].sort((a, b) => a.at.localeCompare(b.at));
  const isTogether = (one: DemoDocument, other: DemoDocument | undefined) =>
    one.assignment === other?.assignment && one.student === other.student && one.at === other.at;
  for (const [place, document] of inOrder.entries()) {
    if (isTogether(document, inOrder[place - 1])) continue;
    pen.run(document.at, {
      type: "addHandIn",
      assignmentId: assignment(document.assignment),
      studentId: student(document.student.replace(/-attempt-\d+$/, "")),
      at: document.at,
      files: inOrder
        .filter((other) => isTogether(document, other))
        .map((one) => ({ id: demoFileId(one), name: one.name, mediaType: one.mediaType, size: one.size })),
    });
  }
}

function scoreReport(pen: Pen): void {
  // The sixteenth paper on, the uncertainty is judged more strictly: Check points it out.
  judgeOverAll(pen, { at: "2026-10-01T09:00:00Z", slug: "gauging-report", rubric: reportRubric, salt: 11 }, 3);
  for (const [index, person] of PEOPLE.entries()) {
    if (index % 3 !== 0) continue;
    pen.run("2026-10-02T10:00:00Z", {
      type: "setComment",
      assignmentId: assignment("gauging-report"),
      studentId: student(person.slug),
      facing: "student",
      text: `${person.givenName}, the readings can be followed from the bridge to the page. Next time put a figure to the error.`,
    });
  }
  secondMarker(pen);
  pen.run("2026-10-06T06:30:00Z", {
    type: "release",
    assignmentId: assignment("gauging-report"),
    facets: ["score", "rubric", "comments"],
  });
}

/** Outcomes beside the scores of the field notebook, with some still open. */
function recordOutcomes(pen: Pen): void {
  const at = "2026-10-12T15:00:00Z";
  const notebook = assignment("field-notebook");
  pen.run(at, { type: "saveRubric", rubric: outcomesRubric });
  pen.run(at, { type: "editAssignment", assignmentId: notebook, fields: { outcomeRubricId: outcomesRubric.id } });
  const level = (index: number, salt: number) => String(1 + Math.floor(2.999 * spread(index, salt)));
  const cells = PEOPLE.flatMap((person, index) =>
    index % 6 === 5
      ? []
      : [
          {
            assignmentId: notebook,
            studentId: student(person.slug),
            text: `o${level(index, 60)}${level(index, 61)}`,
          },
        ],
  );
  pen.run(at, { type: "enterScores", how: "entered", cells });
}

function scoreFieldWork(pen: Pen): void {
  const missing = new Set(["greta-lindqvar", "tobiah-elm"]);
  for (const [index, person] of PEOPLE.entries()) {
    judgeByRubric(pen, person, {
      at: "2026-10-05T14:00:00Z",
      slug: "field-notebook",
      rubric: notebookRubric,
      salt: 31,
    });
    const place = { assignmentId: assignment("site-sketch"), studentId: student(person.slug) };
    if (missing.has(person.slug)) {
      pen.run("2026-10-12T14:00:00Z", { type: "setStanding", ...place, decision: "missing" });
    } else {
      judgeByRubric(pen, person, { at: "2026-10-12T14:10:00Z", slug: "site-sketch", rubric: sketchRubric, salt: 47 });
    }
    if (index % 5 === 2 || index % 7 === 0) {
      const bonus = { assignmentId: assignment("bridge-count"), studentId: student(person.slug) };
      pen.run("2026-11-02T09:00:00Z", { type: "setScore", ...bonus, text: String(1 + (index % 3)) });
    }
  }
  recordOutcomes(pen);
  pen.run("2026-10-13T09:00:00Z", {
    type: "setComment",
    assignmentId: assignment("site-sketch"),
    studentId: student("esi-okonwe"),
    facing: "student",
    text: "Esi, your plan of the bar is the clearest in the set; the flow arrows tell me you stood there and watched.",
  });
  pen.run("2026-10-06T15:00:00Z", {
    type: "setScore",
    assignmentId: assignment("field-notebook"),
    studentId: student("faruq-rahel"),
    text: "34.5",
  });
  pen.run("2026-11-03T09:00:00Z", { type: "release", assignmentId: assignment("bridge-count"), facets: ["score"] });
}

function scoreQuestions(pen: Pen): void {
  for (const [index, person] of PEOPLE.entries()) {
    const place = { assignmentId: assignment("question-paper"), studentId: student(person.slug) };
    pen.run("2026-10-16T08:30:00Z", { type: "addHandIn", ...place, at: null, files: [] });
    if (index < 8) {
      const text = String(Math.round((0.55 + 0.4 * spread(index, 5)) * 100) / 2);
      pen.run("2026-10-19T10:00:00Z", { type: "setScore", ...place, text });
    }
  }
}

function discuss(pen: Pen): void {
  const handIns = demoPostFiles().map(({ studentId, at, file }) => ({ studentId, at, file }));
  pen.run("2026-11-14T08:00:00Z", { type: "takeInPosts", assignmentId: SEMINAR, posts: [...demoPosts], handIns });
}

function practise(pen: Pen): void {
  const assignmentId = assignment("practice");
  pen.run("2026-11-03T08:00:00Z", {
    type: "editAssignment",
    assignmentId,
    fields: { counts: false, channel: "answers" },
  });
  pen.run("2026-11-03T08:05:00Z", { type: "saveQuestions", assignmentId, questions: [...QUESTIONS] });
  const answers = ANSWERS.flatMap(([slug, texts]) =>
    texts.map((text, index) => ({
      studentId: student(slug),
      questionId: required(QUESTIONS[index]?.id, "question"),
      text,
    })),
  );
  const at = "2026-10-12T10:00:00Z" as Instant;
  pen.run("2026-11-03T08:10:00Z", { type: "takeInAnswers", assignmentId, at, answers });
}

function scoreMemos(pen: Pen, documents: readonly DemoDocument[]): void {
  const assignmentId = assignment("flood-memo");
  const begun = "2026-11-09T10:00:00Z";
  for (const [turn, [slug, judgement]] of Object.entries(MEMO_JUDGEMENTS).entries()) {
    const place = { assignmentId, studentId: student(slug) };
    // A memo takes nine minutes; it is judged at the end of them.
    const at = later(begun, 9 * (turn + 1));
    memoRubric.criteria.forEach((criterion, index) => {
      const text = required(judgement.points[index], "points");
      pen.run(at, { type: "judge", ...place, criterionId: criterion.id, verdict: { kind: "points", text } });
    });
    if (judgement.comment) pen.run(at, { type: "setComment", ...place, facing: "student", text: judgement.comment });
    const document = documents.findLast((item) => item.assignment === "flood-memo" && item.student === slug);
    for (const note of document ? (judgement.notes ?? []) : []) {
      const { text } = required(document, "document");
      const start = text.indexOf(note.quote);
      if (start < 0) throw new Error(`demo: no passage "${note.quote}" in the memo of ${slug}`);
      const before = [...text.slice(0, start)].length;
      pen.run(at, {
        type: "addNote",
        ...place,
        fileId: demoFileId(required(document, "document")),
        mark: note.strike ? "strikeout" : "highlight",
        target: makePassage(text, 1, before, before + [...note.quote].length),
        criterionId: note.criterion ? required(memoRubric.criteria[note.criterion - 1], "criterion").id : null,
        body: note.body,
      });
    }
  }
  const at = "2026-11-09T14:00:00Z";
  for (const slug of ["greta-lindqvar", "ulla-fenwick"]) {
    pen.run(at, { type: "setStanding", assignmentId, studentId: student(slug), decision: "missing" });
  }
  pen.run(at, { type: "setStanding", assignmentId, studentId: student("lorcan-pell"), decision: "excused" });
  pen.run(at, {
    type: "setComment",
    assignmentId,
    studentId: student("esi-okonwe"),
    facing: "private",
    text: "Second memo with a unit slip. Ask her to come by before the exam.",
  });
}
