import { applyPatches, prepareChange, ENTRY_SCHEMA, type Command, type Entry } from "#core/changes";
import { decimal, required, type Instant, type StudentId } from "#core/kernel";
import { EMPTY_STATE, moderationOf, studentsOf, type CourseState } from "#core/model";
import { comparePacket, makePacket, readReturned, takeBackOf } from "#core/packets";
import { moderatedPapers } from "#core/totals";
import { assignment, spread } from "./judging";
import type { Pen } from "./pen";
import { reportRubric } from "./rubrics";

const GAUGING = assignment("gauging-report");
const MARKER = "N. Estevan";
/** How far apart two judgements of a report may lie. */
const WITHIN = decimal("5");

/**
 * Every fourth gauging report judged a second time: handed over as a blind packet, judged there, taken back, and what lay
 * too far apart settled. All of it by the very commands that the screens send.
 */
export function secondMarker(pen: Pen): void {
  let count = 0;
  const fresh = () => `second-${String((count += 1))}`;
  // Ids of its own, so that what comes after keeps its ids.
  const run = (at: string, command: Command) => {
    pen.run(at, command, [fresh(), fresh()]);
  };
  const sample = studentsOf(pen.state)
    .filter((_, place) => place % 4 === 0)
    .map(({ id }) => id);
  run("2026-10-02T12:00:00Z", {
    type: "setModeration",
    assignmentId: GAUGING,
    way: { kind: "everyNth", every: 4 },
    studentIds: sample,
    markerName: MARKER,
    blind: true,
    within: WITHIN,
  });
  const made = makePacket(
    pen.state,
    {
      assignment: required(pen.state.assignments[GAUGING], "gauging report"),
      studentIds: sample,
      purpose: "second",
      blind: true,
      markerName: MARKER,
    },
    { at: "2026-10-02T12:10:00Z" as Instant, fresh, seed: 20_261_002 },
  );
  run("2026-10-02T12:10:00Z", { type: "handOverPacket", packet: made.packet, markerName: MARKER });
  const back = judgedThere(made.entries, pen.state, { papers: made.packet.papers, apart: sample[2], fresh });
  const returned = readReturned(pen.state, back);
  if (!returned.ok) throw new Error(`demo: the packet is refused: ${returned.issue.code}`);
  const at = "2026-10-05T15:00:00Z" as Instant;
  run(at, takeBackOf(pen.state, returned.value, comparePacket(pen.state, returned.value), { choices: new Map(), at }));
  const report = required(pen.state.assignments[GAUGING], "gauging report");
  for (const { studentId, state } of moderatedPapers(pen.state, report)) {
    if (state !== "apart") continue;
    const reason = "Read again together: the error of the readings is discussed after all.";
    run("2026-10-05T16:00:00Z", { type: "settle", assignmentId: GAUGING, studentId, choice: "first", reason });
  }
}

/** The packet's journal as its marker gives it back: mostly a half point or a point beside the first, once far off. */
function judgedThere(
  entries: readonly Entry[],
  course: CourseState,
  {
    papers,
    apart,
    fresh,
  }: {
    readonly papers: readonly { readonly studentId: StudentId; readonly code: StudentId }[];
    /** Whose paper is judged far off the first judgement. */
    readonly apart: StudentId | undefined;
    readonly fresh: () => string;
  },
): readonly Entry[] {
  const journal = [...entries];
  let state = stateOf(entries);
  const by = required(moderationOf(course, GAUGING), "second marking").markerId;
  papers.forEach(({ studentId, code }, place) => {
    reportRubric.criteria.forEach((criterion, row) => {
      const first = Number(
        required(course.judgements[GAUGING]?.[`${GAUGING}/${studentId}/${criterion.id}`]?.points, "first points"),
      );
      const most = Number(required(criterion.levels.at(-1), "level").max);
      const beside = studentId === apart ? -1.5 : (Math.round(2 * spread(place, 70 + row)) - 1) / 2;
      const points = Math.max(0, Math.min(most, first + beside));
      const command: Command = {
        type: "judge",
        assignmentId: GAUGING,
        studentId: code,
        criterionId: criterion.id,
        verdict: { kind: "points", text: String(points) },
        confirmed: true,
      };
      const at = new Date(Date.parse("2026-10-04T09:00:00Z") + (place * 6 + row) * 60_000).toISOString() as Instant;
      const change = prepareChange(state, command, { at, by, fresh, journal });
      if (!change.ok) throw new Error(`demo: second judgement refused: ${JSON.stringify(change.issue)}`);
      const next = applyPatches(state, change.value.patches);
      if (next.ok) state = next.value;
      journal.push({ seq: journal.length + 1, schema: ENTRY_SCHEMA, kind: "change", of: null, change: change.value });
    });
  });
  return journal;
}

function stateOf(entries: readonly Entry[]): CourseState {
  return entries.reduce((before, { change }) => {
    const next = applyPatches(before, change.patches);
    return next.ok ? next.value : before;
  }, EMPTY_STATE);
}
