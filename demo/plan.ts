import { decimal, type Id, type Instant } from "#core/kernel";
import type { Rubric } from "#core/model";
import { assignment, student } from "./judging";
import type { Pen } from "./pen";
import { SEMINAR } from "./posts";
import { PEOPLE, SECTIONS } from "./people";
import { memoRubric, notebookRubric, reportRubric, sketchRubric, storyRubric } from "./rubrics";
import { startCommand } from "./start";

/** The course as it is planned before anything is handed in. */
export function plan(pen: Pen): void {
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
  add("safety-check", "field-work", ["Safety check", "Safety"], {
    points: "0",
    dueAt: "2026-09-11T16:00:00Z",
    paper: true,
    task: "Show that you can wade, throw a line, and say when to stop. Nobody goes into the river without it.",
  });
  add("field-exam", "questions", ["Field exam", "Exam"], {
    points: "100",
    dueAt: "2027-06-18T14:00:00Z",
    paper: true,
    task: "A morning at an unknown river: gauge it, draw it, and defend what you found.",
  });
  pen.run(at, { type: "editAssignment", assignmentId: SEMINAR, fields: { channel: "discussion" } });
  formPairs(pen, at);
  divideYear(pen, at);
}

/** Two terms and the week of the field exam; what has no date lies in none of them. */
function divideYear(pen: Pen, at: string): void {
  const terms = [
    ["autumn", "Autumn term", "40", "2026-09-01", "2027-02-01"],
    ["spring", "Spring term", "40", "2027-02-01", "2027-06-14"],
    ["field-exam", "Field exam", "20", "2027-06-14", "2027-06-26"],
  ] as const;
  for (const [slug, name, weight, from, to] of terms) {
    pen.run(
      at,
      {
        type: "saveTerm",
        termId: null,
        name,
        weight: decimal(weight),
        startsAt: `${from}T00:00:00Z` as Instant,
        endsAt: `${to}T00:00:00Z` as Instant,
      },
      [slug],
    );
  }
}

/** Pass or not yet: it counts in no total, and two have to come again. */
export function checkSafety(pen: Pen): void {
  const assignmentId = assignment("safety-check");
  const at = "2026-09-11T15:00:00Z";
  const levels = ["Pass", "Not yet"].map((name) => ({ name, percent: null }));
  pen.run(at, { type: "addScale", name: "Pass or not yet", kind: "passNotYet", levels }, ["pass", "passed", "not-yet"]);
  const fields = { scoredIn: { kind: "scale" as const, scaleId: "scale:pass" as Id<"scale"> }, counts: false };
  pen.run(at, { type: "editAssignment", assignmentId, fields });
  const cells = PEOPLE.map(({ slug }, place) => ({
    assignmentId,
    studentId: student(slug),
    text: place === 9 || place === 20 ? "Not yet" : "Pass",
  }));
  pen.run(at, { type: "enterScores", how: "entered", cells });
}

/** The gauging reports are written by pairs and handed in by one of the two. */
function formPairs(pen: Pen, at: string): void {
  const assignmentId = assignment("gauging-report");
  pen.run(at, { type: "editAssignment", assignmentId, fields: { channel: "file", grouping: "groups" } });
  const pairs = PEOPLE.flatMap((person, place) => {
    const mate = place % 2 === 0 ? PEOPLE[place + 1] : undefined;
    return mate
      ? [{ name: `Pair ${String(place / 2 + 1)}`, memberIds: [student(person.slug), student(mate.slug)] }]
      : [];
  });
  pen.run(
    at,
    { type: "formGroups", assignmentId, groups: pairs },
    pairs.map((_, place) => `pair-${String(place + 1)}`),
  );
}
