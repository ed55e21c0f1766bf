import type { Command, Entry } from "#core/changes";
import { decimal, required, type FileId, type Id, type Instant } from "#core/kernel";
import { COURSE_DEFAULTS, makePassage, type Course, type Rubric } from "#core/model";
import type { DemoDocument } from "./documents";
import { MEMO_JUDGEMENTS } from "./judgements";
import { assignment, judgeByRubric, judgeOverAll, later, spread, student } from "./judging";
import { Pen } from "./pen";
import { demoPostFiles, demoPosts, SEMINAR } from "./posts";
import { ANSWERS, QUESTIONS } from "./questions";
import { PEOPLE, SECTIONS } from "./people";
import { memoRubric, notebookRubric, outcomesRubric, reportRubric, sketchRubric, storyRubric } from "./rubrics";
import { secondMarker } from "./second-marker";

const MARKER = "marker:halden" as Id<"marker">;

/** Settings that a new course starts with; the demo course uses them too. */
export function startCommand(
  course: Pick<Course, "id" | "title" | "shortTitle" | "institution" | "origin" | "createdAt" | "timeZone">,
  markerName: string,
  sections: readonly string[],
): Extract<Command, { type: "startCourse" }> {
  const bands = [
    ["A", "90"],
    ["B", "80"],
    ["C", "70"],
    ["D", "60"],
    ["E", "0"],
  ] as const;
  return {
    type: "startCourse",
    markerName,
    sections: [...sections],
    course: {
      ...course,
      markerId: MARKER,
      totals: "weighted",
      lateRule: {
        ratePercent: decimal("5"),
        unit: "hours",
        unitHours: 24,
        base: "maximum",
        capPercent: null,
        floorPercent: null,
        graceMinutes: 15,
        graceKind: "threshold",
      },
      missingPercent: decimal("0"),
      letters: bands.map(([letter, from]) => ({ letter, from: decimal(from) })),
      passMark: decimal("60"),
      percentPlaces: 1,
      ...COURSE_DEFAULTS,
    },
  };
}

/** The id a demo document is kept under. */
export const demoFileId = (document: DemoDocument): FileId =>
  `file:${document.assignment}-${document.name.replace(/\W+/g, "-")}` as FileId;

/** The demo course, made by running real changes one after the other. The same documents give the same journal. */
export function demoJournal(documents: readonly DemoDocument[]): Entry[] {
  const pen = new Pen(MARKER);
  plan(pen);
  handIn(pen, documents);
  scoreReport(pen);
  scoreFieldWork(pen);
  scoreQuestions(pen);
  scoreMemos(pen, documents);
  discuss(pen);
  practise(pen);
  return pen.entries;
}

function plan(pen: Pen): void {
  const at = "2026-09-01T08:00:00Z";
  const start = startCommand(
    {
      id: "course:reading-rivers" as Id<"course">,
      title: "Reading Rivers: Field Hydrology",
      shortTitle: "Reading Rivers",
      institution: "Larkmere Institute",
      origin: "demo",
      createdAt: at as Instant,
      timeZone: "Europe/Berlin",
    },
    "R. Halden",
    SECTIONS,
  );
  pen.run(at, start, ["heron", "kingfisher"]);
  const students = PEOPLE.map(({ number, givenName, familyName, email, section }) => ({
    number,
    givenName,
    familyName,
    email,
    sectionId: `section:${section === 0 ? "heron" : "kingfisher"}` as Id<"section">,
  }));
  pen.run(
    at,
    { type: "addStudents", students },
    PEOPLE.map((person) => person.slug),
  );
  const categories = [
    ["reports", "Reports", "40"],
    ["field-work", "Field work", "35"],
    ["questions", "Questions", "25"],
  ] as const;
  for (const [slug, name, weight] of categories) {
    pen.run(at, { type: "addCategory", name, weight: decimal(weight) }, [slug]);
  }
  const add = (
    slug: string,
    category: (typeof categories)[number][0],
    names: readonly [name: string, shortName: string],
    more: {
      readonly points: string;
      readonly dueAt: string | null;
      readonly rubric?: Rubric;
      readonly paper?: true;
      readonly bonus?: true;
      readonly showsRubric?: true;
      readonly task: string;
    },
  ) => {
    pen.run(
      at,
      {
        type: "addAssignment",
        name: names[0],
        shortName: names[1],
        categoryId: `category:${category}` as Id<"category">,
        points: decimal(more.points),
        dueAt: more.dueAt as Instant | null,
        channel: more.paper ? "paper" : "file",
        bonus: more.bonus ?? false,
        showsRubric: more.showsRubric ?? false,
        rubric: more.rubric ?? null,
        task: more.task,
      },
      [slug],
    );
  };
  add("gauging-report", "reports", ["Gauging report", "Gauging"], {
    points: "100",
    dueAt: "2026-09-25T16:00:00Z",
    rubric: reportRubric,
    paper: true,
    task: "Gauge the Ossel at the footbridge and report the flow with its uncertainty.",
  });
  add("flood-memo", "reports", ["Flood-frequency memo", "Flood memo"], {
    points: "100",
    dueAt: "2026-10-23T16:00:00Z",
    rubric: memoRubric,
    showsRubric: true,
    task: "In 300 to 700 words, advise the catchment board on the hundred-year flood and the levee.",
  });
  add("story-map", "reports", ["Catchment story map", "Story map"], {
    points: "100",
    dueAt: "2026-12-11T17:00:00Z",
    rubric: storyRubric,
    task: "Tell the story of the catchment in five or six stops.",
  });
  add("field-notebook", "field-work", ["Field notebook", "Notebook"], {
    points: "40",
    dueAt: "2026-10-02T16:00:00Z",
    rubric: notebookRubric,
    paper: true,
    task: "Your notebook of the field week, on paper.",
  });
  add("site-sketch", "field-work", ["Site sketch", "Sketch"], {
    points: "20",
    dueAt: "2026-10-09T16:00:00Z",
    rubric: sketchRubric,
    paper: true,
    task: "A plan of the gravel bar, to scale.",
  });
  add("bridge-count", "field-work", ["Bridge count", "Bridge"], {
    points: "0",
    dueAt: "2026-10-30T17:00:00Z",
    paper: true,
    bonus: true,
    task: "Bonus: count driftwood at the footbridge for an hour. Up to 3 points, pure gain.",
  });
  add("practice", "questions", ["Practice questions", "Practice"], {
    points: "20",
    dueAt: "2026-10-12T16:00:00Z",
    paper: true,
    task: "Six questions on rating curves, for practice: they count nowhere.",
  });
  add("question-paper", "questions", ["Question paper 1", "Questions 1"], {
    points: "50",
    dueAt: "2026-10-16T08:00:00Z",
    paper: true,
    task: "Ten questions on rating curves and return periods.",
  });
  add("seminar", "questions", ["Seminar discussion", "Seminar"], {
    points: "20",
    dueAt: null,
    paper: true,
    task: "Lead one discussion in the second half of term.",
  });
  pen.run(at, { type: "editAssignment", assignmentId: SEMINAR, fields: { channel: "discussion" } });
}

function handIn(pen: Pen, documents: readonly DemoDocument[]): void {
  const inOrder = [...documents].sort((a, b) => a.at.localeCompare(b.at));
  for (const document of inOrder) {
    const { at, name, mediaType, size } = document;
    pen.run(at, {
      type: "addHandIn",
      assignmentId: assignment(document.assignment),
      studentId: student(document.student.replace(/-attempt-\d+$/, "")),
      at,
      files: [{ id: demoFileId(document), name, mediaType, size }],
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
