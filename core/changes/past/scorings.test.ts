import { describe, expect, it } from "vitest";
import type { Instant, MarkerId } from "#core/kernel";
import { assignmentId, criterionId, entriesOf, run, smallCourse, studentId, WORLD } from "#core/testing";
import { ENTRY_SCHEMA, runCommand, scoringsOf, type Command, type Entry } from "../index";

const [essay, quiz] = [assignmentId("essay"), assignmentId("quiz")];
const ada = studentId("ada");
const ben = studentId("ben");

type Step = readonly [minutes: number, by: string, command: Command];

/** The journal of a course in which markers gave commands, each so many minutes after ten. */
function journal(...steps: readonly Step[]): Entry[] {
  let state = smallCourse();
  return steps.reduce<Entry[]>((entries, [minutes, by, command]) => {
    const at = new Date(Date.UTC(2026, 9, 1, 10, 0, Math.round(60 * minutes))).toISOString() as Instant;
    const done = runCommand(state, command, { ...WORLD, at, by: by as MarkerId, journal: entries });
    if (!done.ok) throw new Error(JSON.stringify(done.issue));
    state = done.value.state;
    return [
      ...entries,
      { seq: entries.length + 1, schema: ENTRY_SCHEMA, kind: "change", of: null, change: done.value.change },
    ];
  }, entriesOf(state));
}
const judge = (student: typeof ada, criterion: string, text = "10"): Command => ({
  type: "judge",
  assignmentId: essay,
  studentId: student,
  criterionId: criterionId(criterion),
  verdict: { kind: "points", text },
});
const scored = (entries: readonly Entry[], work = essay) => scoringsOf(entries, {}, work);

describe("how papers were scored, from the journal", () => {
  it("tells who judged a paper last, and when; a comment makes nobody the marker", () => {
    const entries = journal(
      [0, "marker:one", judge(ada, "record")],
      [3, "marker:two", judge(ada, "reasoning")],
      [9, "marker:one", { type: "setComment", assignmentId: essay, studentId: ada, facing: "student", text: "Good." }],
    );
    expect(scored(entries).get(ada)).toMatchObject({ by: "marker:two", at: "2026-10-01T10:03:00.000Z" });
    expect(scored(entries).has(ben)).toBe(false);
    expect(scored(entries, quiz).size).toBe(0);
  });

  it("tells how long a paper lay before the marker where all was judged in one go, and else nothing", () => {
    const entries = journal(
      [0, "marker:one", judge(ada, "record")],
      [1, "marker:one", judge(ada, "reasoning")],
      [5, "marker:one", judge(ben, "record")],
      // Somebody else works meanwhile: it is no part of this marker's time.
      [5.5, "marker:two", { type: "setScore", assignmentId: quiz, studentId: ada, text: "12" }],
      [6, "marker:one", judge(ben, "reasoning")],
    );
    // Before the first paper nobody knows when the reading began.
    expect(scored(entries).get(ada)?.seconds).toBeNull();
    expect(scored(entries).get(ben)?.seconds).toBe(300);
    const swept = journal(
      [0, "marker:one", judge(ada, "record")],
      [1, "marker:one", judge(ben, "record")],
      [2, "marker:one", judge(ada, "reasoning")],
    );
    expect(scored(swept).get(ada)?.seconds).toBeNull();
  });

  it("keeps the reason of a figure set by hand until that figure is another", () => {
    const byHand = (text: string, reason?: string): Command => ({
      type: "setByHand",
      assignmentId: quiz,
      studentId: ada,
      text,
      ...(reason === undefined ? {} : { reason }),
    });
    const reasons = (...steps: Step[]) => scored(journal(...steps), quiz).get(ada)?.reason;
    expect(reasons([0, "marker:one", byHand("12", "Tram strike.")])).toBe("Tram strike.");
    expect(reasons([0, "marker:one", byHand("12", "Tram strike.")], [1, "marker:one", byHand("13")])).toBeNull();
  });

  it("reads on from where it has read, with the same answer as from the start, and hands the same map out again", () => {
    const entries = journal(
      [0, "marker:one", judge(ada, "record")],
      [1, "marker:one", judge(ada, "reasoning")],
      [4, "marker:one", judge(ben, "record")],
      [5, "marker:one", judge(ben, "reasoning")],
    );
    const course = {};
    const before = scoringsOf(entries.slice(0, 3), course, essay);
    const after = scoringsOf(entries, course, essay);
    expect(after).toEqual(scored(entries));
    // What was handed out before is not written into.
    expect(before.has(ben)).toBe(false);
    expect(scoringsOf(entries, course, essay)).toBe(after);
  });
});

describe("something odd that is set aside", () => {
  const aside: Command = {
    type: "setAside",
    assignmentId: essay,
    subject: "drift/criterion:record",
    title: "record fell by 3",
    basis: "first 12",
    studentIds: [],
    word: "The last ten were the late ones.",
  };

  it("stands in the course and in the journal with its word, and can be taken back", () => {
    const kept = run(smallCourse(), aside);
    const id = `${essay}/drift/criterion:record`;
    expect(kept.asides[id]).toEqual({
      id,
      assignmentId: essay,
      basis: "first 12",
      studentIds: [],
      word: "The last ten were the late ones.",
    });
    const done = runCommand(smallCourse(), aside, WORLD);
    expect(done.ok && done.value.change.line).toBe(
      "Essay, set aside: record fell by 3: The last ten were the late ones.",
    );
    const back = run(kept, { type: "takeFromAside", assignmentId: essay, subject: "drift/criterion:record" });
    expect(back.asides).toEqual({});
  });

  it("is refused for work that is not there, and when it stands already", () => {
    const gone = runCommand(smallCourse(), { ...aside, assignmentId: assignmentId("gone") }, WORLD);
    expect(gone).toMatchObject({ ok: false, issue: { code: "unknown_record" } });
    expect(runCommand(run(smallCourse(), aside), aside, WORLD)).toMatchObject({
      ok: false,
      issue: { code: "nothing_to_change" },
    });
  });

  it("goes with its assignment", () => {
    const removed = run(run(smallCourse(), aside), { type: "removeAssignments", assignmentIds: [essay] });
    expect(removed.asides).toEqual({});
  });
});
