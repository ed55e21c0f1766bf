import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { runCommand, type Command } from "#core/changes";
import { pointsText, required, type AssignmentId, type Instant, type StudentId } from "#core/kernel";
import { FACETS, judgementOf, resultOf, type CourseState, type Facet } from "#core/model";
import { figuresOf } from "#core/totals";
import { assignmentId, criterionId, fileId, makeRubric, run, runs, smallCourse, studentId, WORLD } from "#core/testing";
import { addresseesOf } from "../../app/ui/letter/addressees";
import { formattedHtml } from "../../app/ui/letter/formatted";
import { mailDraft, mergeFields, MERGE_FIELDS, studentCopyHtml, studentCopyOf } from "./index";

// Every value in this course is a word of its own, so that one found where it should not be is seen at once. What may be
// visible is worked out a second time here, from the commands alone, without the code under test.

const ESSAY = assignmentId("essay");
const QUIZ = assignmentId("quiz");
const WORK = [ESSAY, QUIZ];
const PEOPLE = ["ada", "ben", "cleo"].map(studentId);
const OWN = FACETS.filter((facet) => facet !== "classFigures");
const slugOf = (id: string) => id.slice(id.indexOf(":") + 1);

/** `12.0341`: a score that stands nowhere else. */
const scoreText = (whole: number, turn: number) => `${String(whole)}.${String(1_000 + turn).slice(0, 4)}`;

let turn = 0;
const next = () => (turn = (turn % 8_999) + 1);

/** Commands that write new values for one student; each value is new. */
function edits(student: StudentId, assignment: AssignmentId): Command[] {
  const mark = `${slugOf(student)}x${slugOf(assignment)}x${String(next())}`;
  const place = { assignmentId: assignment, studentId: student };
  const score: Command =
    assignment === QUIZ
      ? { type: "setScore", ...place, text: scoreText(11, next()), confirmed: true }
      : {
          type: "judge",
          ...place,
          criterionId: criterionId("record"),
          verdict: { kind: "points", text: scoreText(12, next()) },
          confirmed: true,
        };
  return [
    score,
    { type: "setComment", ...place, facing: "student", text: `said${mark}` },
    { type: "setComment", ...place, facing: "private", text: `private${mark}` },
    { type: "setCriterionComment", ...place, criterionId: criterionId("care"), comment: `saido${mark}` },
    ...(assignment === ESSAY
      ? [
          {
            type: "setCriterionComment" as const,
            ...place,
            criterionId: criterionId("record"),
            facing: "private" as const,
            comment: `private${mark}c`,
          },
        ]
      : []),
  ];
}

const OUTCOMES = { ...makeRubric("outcomes", "care: 1-1, 2-2"), purpose: "outcomes" as const };

const base = (): CourseState =>
  run(
    smallCourse({ lateRule: null, totalsRestOn: "all", releasePasses: ["rubric_tells_score"] }),
    { type: "saveRubric", rubric: OUTCOMES },
    ...WORK.map((work) => ({
      type: "editAssignment" as const,
      assignmentId: work,
      fields: { outcomeRubricId: OUTCOMES.id, task: "openword", showsRubric: true },
    })),
    ...PEOPLE.flatMap((student) => [
      { type: "editStudent" as const, studentId: student, fields: { note: `note${slugOf(student)}` } },
      ...["reasoning", "writing"].map((criterion) => ({
        type: "judge" as const,
        assignmentId: ESSAY,
        studentId: student,
        criterionId: criterionId(criterion),
        verdict: { kind: "level" as const, digit: 1 },
      })),
      ...WORK.flatMap((assignment) => edits(student, assignment)),
    ]),
    {
      type: "addNote",
      assignmentId: ESSAY,
      studentId: studentId("ada"),
      fileId: fileId("ada"),
      mark: "highlight",
      target: { kind: "passage", page: 1, start: 0, end: 3, exact: "passageada", prefix: "", suffix: "" },
      criterionId: criterionId("record"),
      body: "remarkada",
    },
  );

/** The words that a facet of one paper holds at present. */
function wordsOf(state: CourseState, student: StudentId, assignment: AssignmentId, facet: Facet): string[] {
  const { counted } = figuresOf(state).figure(assignment, student);
  if (facet === "score") return counted ? [pointsText(counted)] : [];
  if (facet === "rubric") {
    if (assignment === QUIZ) return [];
    return [judgementOf(state, assignment, student, criterionId("record")).points ?? ""];
  }
  if (facet === "outcomes") return [judgementOf(state, assignment, student, criterionId("care")).comment];
  const notes = assignment === ESSAY && student === PEOPLE[0] ? ["remarkada", "passageada"] : [];
  return [resultOf(state, assignment, student).overallComment, ...notes];
}

const anyScope = fc.constantFrom<StudentId | null>(null, null, ...PEOPLE);
const anyFacets = fc.subarray([...OWN], { minLength: 1 });
const anyWork = fc.constantFrom(...WORK);

type Step =
  | { readonly do: "edit"; readonly who: StudentId; readonly work: AssignmentId }
  | {
      readonly do: "release" | "seal";
      readonly work: AssignmentId;
      readonly facets: readonly Facet[];
      readonly who: StudentId | null;
    }
  | { readonly do: "time"; readonly work: AssignmentId; readonly facets: readonly Facet[]; readonly minutes: number }
  | { readonly do: "due"; readonly back: boolean }
  | { readonly do: "hold"; readonly work: AssignmentId; readonly who: StudentId | null; readonly held: boolean }
  | { readonly do: "total"; readonly id: string; readonly open: boolean }
  | { readonly do: "rest"; readonly on: "released" | "all" };

const anyStep: fc.Arbitrary<Step> = fc.oneof(
  fc.record({ do: fc.constant("edit" as const), who: fc.constantFrom(...PEOPLE), work: anyWork }),
  fc.record({
    do: fc.constantFrom("release" as const, "release" as const, "seal" as const),
    work: anyWork,
    facets: anyFacets,
    who: anyScope,
  }),
  fc.record({
    do: fc.constant("time" as const),
    work: anyWork,
    facets: anyFacets,
    minutes: fc.integer({ min: 1, max: 5 }),
  }),
  fc.record({ do: fc.constant("due" as const), back: fc.boolean() }),
  fc.record({ do: fc.constant("hold" as const), work: anyWork, who: anyScope, held: fc.boolean() }),
  fc.record({
    do: fc.constant("total" as const),
    id: fc.constantFrom("course", "category:papers", "category:quizzes"),
    open: fc.boolean(),
  }),
  fc.record({ do: fc.constant("rest" as const), on: fc.constantFrom("released" as const, "all" as const) }),
);

/** What the oracle knows: seals, the words each student was given, and holds. */
class Oracle {
  readonly seals = new Map<string, { state: "sealed" | "timed" | "released"; at: number }>();
  readonly given = new Map<string, readonly string[]>();
  readonly held = new Set<string>();

  fix(state: CourseState, work: AssignmentId, facets: readonly Facet[], people: readonly StudentId[]): void {
    for (const who of people) {
      for (const facet of facets) {
        const words = wordsOf(state, who, work, facet);
        if (words.length > 0) this.given.set(`${who} ${work} ${facet}`, words);
      }
    }
  }

  take(state: CourseState, step: Step, now: number): void {
    if (step.do === "release" || step.do === "seal") {
      const people = step.who ? [step.who] : PEOPLE;
      for (const facet of step.facets) {
        const key = `${step.work} ${facet}`;
        const timed = this.seals.get(key)?.state === "timed";
        if (step.do === "release" && !(step.who && timed)) this.seals.set(key, { state: "released", at: now });
        if (step.do === "seal" && !step.who) this.seals.set(key, { state: "sealed", at: 0 });
      }
      if (step.do === "release") this.fix(state, step.work, step.facets, people);
      else for (const who of people) for (const facet of step.facets) this.given.delete(`${who} ${step.work} ${facet}`);
    } else if (step.do === "time") {
      for (const facet of step.facets) {
        this.seals.set(`${step.work} ${facet}`, { state: "timed", at: now + step.minutes });
        for (const who of PEOPLE) this.given.delete(`${who} ${step.work} ${facet}`);
      }
    } else if (step.do === "due") {
      for (const [key, seal] of this.seals) {
        if (seal.state !== "timed" || seal.at > now) continue;
        const [work, facet] = key.split(" ") as [AssignmentId, Facet];
        this.seals.set(key, { state: "released", at: now });
        this.fix(state, work, [facet], PEOPLE);
      }
    } else if (step.do === "hold") {
      const key = step.who ? `${step.who} ${step.work}` : step.work;
      if (step.held) this.held.add(key);
      else this.held.delete(key);
    }
  }

  /** The words a student may read. */
  visibleTo(who: StudentId): string[] {
    return [...this.given].flatMap(([key, words]) => {
      const [student, work, facet] = key.split(" ") as [StudentId, AssignmentId, Facet];
      const open = (this.seals.get(`${work} ${facet}`)?.state ?? "sealed") !== "sealed";
      return student === who && open && !this.held.has(work) && !this.held.has(`${who} ${work}`) ? words : [];
    });
  }
}

const minute = (count: number) => new Date(Date.UTC(2026, 9, 27, 8, count)).toISOString() as Instant;

function commandOf(step: Step, now: number): Command[] {
  switch (step.do) {
    case "edit":
      return edits(step.who, step.work);
    case "release":
    case "seal":
      return [
        {
          type: step.do,
          assignmentId: step.work,
          facets: [...step.facets],
          ...(step.who && { studentIds: [step.who] }),
        },
      ];
    case "time":
      return [
        { type: "timeRelease", assignmentId: step.work, facets: [...step.facets], at: minute(now + step.minutes) },
      ];
    case "due":
      return [{ type: "releaseDue" }];
    case "hold":
      return step.who
        ? [{ type: "holdResult", assignmentId: step.work, studentId: step.who, held: step.held, reason: "reasonword" }]
        : [{ type: "holdAssignment", assignmentId: step.work, held: step.held, reason: "reasonword" }];
    case "total":
      return [{ type: "sealTotal", id: step.id, state: step.open ? "released" : "sealed", at: null, shows: "percent" }];
    case "rest":
      return [{ type: "restTotals", on: step.on }];
  }
}

/** The base64 parts of a draft, as text; headers as they stand. */
function unpackDraft(draft: string): string {
  const [head = "", ...parts] = draft.split("\r\n\r\n");
  return (
    head + parts.map((part) => new TextDecoder().decode(Buffer.from(part.split("--")[0] ?? "", "base64"))).join("\n")
  );
}

/** Everything made for one student: the finished page, and a draft with every field in it. */
function filesFor(state: CourseState, who: StudentId, at: Instant): string {
  const copy = required(studentCopyOf(state, who, at) ?? undefined, "copy");
  const page = studentCopyHtml(copy, { files: new Map(), formatted: formattedHtml });
  const drafts = [...WORK.map((work) => [work]), WORK].map((about) => {
    const [person] = addresseesOf(state, [who], () => about);
    const body = mergeFields(MERGE_FIELDS.map((field) => `{${field}}`).join(" "), person?.values ?? {}).text;
    return unpackDraft(
      mailDraft({ to: { name: "", address: "" }, subject: "s", body, at, attachments: [], boundary: "b" }),
    );
  });
  return [page, ...drafts].join("\n");
}

/** A word that stands for itself, with no letter or figure at either side. */
const holds = (text: string, word: string) =>
  new RegExp(`(?<![\\p{L}\\p{N}.])${word.replace(/\./g, "\\.")}(?![\\p{L}\\p{N}])`, "u").test(text);

/** Every word that was ever true of anyone. */
const ANY_WORD = /(?:said|private)[a-z]+x[a-z]+x\d+|1[12]\.\d{1,4}|remarkada|passageada/g;

describe("over 10,000 random release states", () => {
  it("no sealed value, private note or word about another student is in any page or draft, and all that is open is", () => {
    let states = 0;
    const start = base();
    const names = PEOPLE.map((id) => required(start.students[id], "student").familyName);
    fc.assert(
      fc.property(fc.array(anyStep, { minLength: 12, maxLength: 12 }), (steps) => {
        let state = start;
        let clock = 0;
        const oracle = new Oracle();
        for (const step of steps) {
          clock = step.do === "due" && step.back ? Math.max(0, clock - 3) : clock + 1;
          for (const command of commandOf(step, clock)) {
            const before = state;
            const done = runCommand(state, command, { ...WORLD, at: minute(clock) });
            if (!done.ok) continue;
            state = done.value.state;
            if (step.do !== "edit") oracle.take(before, step, clock);
          }
          states += 1;
          for (const [index, who] of PEOPLE.entries()) {
            const text = filesFor(state, who, minute(clock));
            const allowed = oracle.visibleTo(who);
            for (const word of allowed) if (!holds(text, word)) throw new Error(`${who} lacks ${word}`);
            for (const [word] of text.matchAll(ANY_WORD)) {
              if (!allowed.includes(word) && holds(text, word)) throw new Error(`${who} reads ${word}`);
            }
            if (/private|note(ada|ben|cleo)|reasonword|marker:/i.test(text))
              throw new Error(`${who} reads a private word`);
            const other = names.find((name, place) => place !== index && text.includes(name));
            if (other) throw new Error(`${who} reads of ${other}`);
          }
        }
      }),
      { numRuns: runs(850, 300) },
    );
    expect(states).toBeGreaterThanOrEqual(runs(850, 300) * 12);
  }, 240_000);
});
