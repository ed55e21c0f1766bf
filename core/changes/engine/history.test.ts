import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { decimal, type ChangeId } from "#core/kernel";
import type { CourseState } from "#core/model";
import { assignmentId, criterionId, smallCourse, studentId, WORLD } from "#core/testing";
import {
  advance,
  applyPatches,
  EMPTY_HISTORY,
  ENTRY_SCHEMA,
  entrySchema,
  invertPatches,
  prepareChange,
  prepareStep,
  type Command,
  type History,
  type HistoryStep,
} from "../index";

const essay = assignmentId("essay");
const who = fc.constantFrom("ada", "ben", "cleo").map((name) => ({ assignmentId: essay, studentId: studentId(name) }));
const command: fc.Arbitrary<Command> = fc.oneof(
  fc
    .record({ place: who, points: fc.nat(100) })
    .map(({ place, points }): Command => ({ type: "setScore", ...place, text: String(points), confirmed: true })),
  fc.record({ place: who, digit: fc.integer({ min: 1, max: 3 }) }).map(({ place, digit }): Command => ({
    type: "judge",
    ...place,
    criterionId: criterionId("record"),
    verdict: { kind: "level", digit },
  })),
  fc
    .record({ place: who, decision: fc.constantFrom("missing" as const, "excused" as const, null) })
    .map(({ place, decision }): Command => ({ type: "setStanding", ...place, decision })),
  fc
    .record({ place: who, text: fc.string({ maxLength: 8 }) })
    .map(({ place, text }): Command => ({ type: "setComment", ...place, facing: "student", text })),
  fc.constant<Command>({ type: "release", assignmentId: essay, facets: ["score", "comments"] }),
  fc.constant<Command>({ type: "seal", assignmentId: essay, facets: ["score"] }),
  fc.integer({ min: -50, max: 50 }).map((tenths): Command => ({
    type: "scaleAssignment",
    assignmentId: essay,
    scaling: { kind: "add", points: decimal(String(tenths / 10)) },
  })),
  fc
    .record({ place: who, held: fc.boolean() })
    .map(({ place, held }): Command => ({ type: "holdResult", ...place, held })),
  fc
    .record({ place: who, points: fc.nat(9) })
    .map(({ place, points }): Command => ({ type: "adjustMember", ...place, text: `-${String(points)}.5` })),
  fc
    .constantFrom("sealed" as const, "released" as const)
    .map((state): Command => ({ type: "sealTotal", id: "course", state, at: null, shows: "percent" })),
);

interface Course {
  readonly state: CourseState;
  readonly history: History;
}

function apply(course: Course, step: ReturnType<typeof prepareStep>): Course {
  if (!step.ok) return course;
  const next = applyPatches(course.state, step.value.change.patches);
  if (!next.ok) throw new Error("the step does not fit its state");
  return { state: next.value, history: advance(course.history, step.value) };
}

function perform(course: Course, item: Command): Course {
  const change = prepareChange(course.state, item, WORLD);
  return change.ok ? apply(course, { ok: true, value: { kind: "change", of: null, change: change.value } }) : course;
}

const go = (course: Course, step: HistoryStep): Course => apply(course, prepareStep(course.history, step, WORLD));

describe("undo and redo", () => {
  const start: Course = { state: smallCourse(), history: EMPTY_HISTORY };

  it("of any sequence of commands restore every state on the way, there and back", () => {
    fc.assert(
      fc.property(fc.array(command, { maxLength: 12 }), (commands) => {
        const states: CourseState[] = [start.state];
        let course = start;
        for (const item of commands) {
          const next = perform(course, item);
          if (next !== course) states.push(next.state);
          course = next;
        }
        for (const expected of states.slice(0, -1).reverse()) {
          course = go(course, "undo");
          expect(course.state).toEqual(expected);
        }
        for (const expected of states.slice(1)) {
          course = go(course, "redo");
          expect(course.state).toEqual(expected);
        }
      }),
      { numRuns: 60 },
    );
  });

  it("name what they would do", () => {
    const course = perform(start, { type: "setScore", assignmentId: essay, studentId: studentId("ben"), text: "70" });
    const undo = prepareStep(course.history, "undo", WORLD);
    expect(undo).toMatchObject({ ok: true, value: { change: { line: "Undone: Ben Bolt, Essay: score 70" } } });
  });

  it("have nothing to do at the ends", () => {
    expect(prepareStep(EMPTY_HISTORY, "undo", WORLD)).toMatchObject({ ok: false, issue: { code: "nothing_to_undo" } });
    expect(prepareStep(EMPTY_HISTORY, "redo", WORLD)).toMatchObject({ ok: false, issue: { code: "nothing_to_redo" } });
  });

  it("a new change ends the way back to what was undone", () => {
    const score = (text: string): Command => ({
      type: "setScore",
      assignmentId: essay,
      studentId: studentId("ben"),
      text,
    });
    const course = perform(go(perform(start, score("70")), "undo"), score("80"));
    expect(course.history.redoable).toEqual([]);
    expect(course.history.undoable.map(({ line }) => line)).toEqual(["Ben Bolt, Essay: score 80"]);
  });

  it("leave alone what the clock gave out and what made the course", () => {
    for (const type of ["releaseDue", "startCourse"]) {
      const change = { id: "change:x" as ChangeId, type, at: WORLD.at, by: WORLD.by, line: "", patches: [] };
      expect(advance(EMPTY_HISTORY, { kind: "change", of: null, change })).toBe(EMPTY_HISTORY);
    }
  });
});

describe("patches", () => {
  const state = smallCourse();
  const change = prepareChange(
    state,
    { type: "setScore", assignmentId: essay, studentId: studentId("ben"), text: "70" },
    WORLD,
  );
  if (!change.ok) throw new Error("refused");
  const { patches } = change.value;

  it("leave the old state as it was", () => {
    const before = structuredClone(state);
    applyPatches(state, patches);
    expect(state).toEqual(before);
  });

  it("are refused as a whole on a state they were not made for", () => {
    const once = applyPatches(state, patches);
    expect(once.ok && applyPatches(once.value, patches)).toMatchObject({
      ok: false,
      issue: { code: "changed_elsewhere", table: "results" },
    });
  });

  it("invert twice to themselves", () => {
    expect(invertPatches(invertPatches(patches))).toEqual(patches);
  });

  it("hold only the fields that differ, so that one keystroke is one small write", () => {
    const once = applyPatches(state, patches);
    if (!once.ok) throw new Error("refused");
    const again = prepareChange(
      once.value,
      { type: "setScore", assignmentId: essay, studentId: studentId("ben"), text: "71" },
      WORLD,
    );
    expect(again.ok && again.value.patches).toMatchObject([{ before: { score: "70" }, after: { score: "71" } }]);
    expect(again.ok && JSON.stringify(again.value).length).toBeLessThan(500);
  });
});

it("an entry of the journal is checked when it comes from outside", () => {
  const change = { id: "change:1", type: "setScore", at: WORLD.at, by: WORLD.by, line: "x", patches: [] };
  const entry = { seq: 1, schema: ENTRY_SCHEMA, kind: "change", of: null, change };
  expect(entrySchema.safeParse(entry).success).toBe(true);
  for (const bad of [
    { seq: 0 },
    { schema: 99 },
    { kind: "erase" },
    { change: { ...change, patches: [{ table: "nope" }] } },
  ]) {
    expect(entrySchema.safeParse({ ...entry, ...bad }).success).toBe(false);
  }
});
