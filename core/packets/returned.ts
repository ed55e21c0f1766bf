import { applyPatches, type Entry } from "#core/changes";
import { ok, refuse, type ChangeId, type Instant, type Result } from "#core/kernel";
import { courseOf, EMPTY_STATE, type CourseState, type Packet } from "#core/model";

/** Why a packet cannot be taken back into a course. */
export type PacketIssue =
  /** A course file, but of a whole course. */
  | { readonly code: "not_a_packet"; readonly title: string }
  | { readonly code: "packet_of_other_course"; readonly title: string }
  /** Of this course, which does not know that it handed it over: it was undone, or it was made from another copy. */
  | { readonly code: "packet_unknown"; readonly title: string };

/** A packet as it came back. */
export interface ReturnedPacket {
  readonly packet: Packet;
  /** As it was handed over, or as it was when it was last taken back. */
  readonly before: CourseState;
  readonly there: CourseState;
  /** How far its journal goes, and its last change. */
  readonly seq: number;
  readonly changeId: ChangeId;
  /** When exactly this, or something later, was taken back already; null where it was not. */
  readonly takenBefore: { readonly at: Instant; readonly isOlder: boolean } | null;
}

/** Reads what came back, against the course that handed it over. `entries` is the journal of a whole course file. */
export function readReturned(here: CourseState, entries: readonly Entry[]): Result<ReturnedPacket, PacketIssue> {
  const there = stateAfter(entries, entries.length);
  const { title, packet: head } = courseOf(there);
  if (!head) return refuse({ code: "not_a_packet", title });
  const packet = here.packets[head.id];
  if (!packet && head.courseId !== courseOf(here).id) return refuse({ code: "packet_of_other_course", title });
  if (!packet) return refuse({ code: "packet_unknown", title });
  const known = packet.taken.filter((one) => entries[one.seq - 1]?.change.id === one.changeId);
  const same = packet.taken.find(({ changeId }) => changeId === entries.at(-1)?.change.id);
  const later = packet.taken.find(({ seq }) => seq > entries.length);
  const takenBefore = same ? { at: same.at, isOlder: false } : later ? { at: later.at, isOlder: true } : null;
  const last = known.reduce((seq, one) => Math.max(seq, one.seq), 1);
  return ok({
    packet,
    before: stateAfter(entries, last),
    there,
    seq: entries.length,
    changeId: entries[entries.length - 1]?.change.id ?? ("change:none" as ChangeId),
    takenBefore,
  });
}

/** The state after so many entries of a journal that replays, as every journal of a course file does. */
function stateAfter(entries: readonly Entry[], count: number): CourseState {
  let state = EMPTY_STATE;
  for (const { change } of entries.slice(0, count)) {
    const next = applyPatches(state, change.patches);
    if (next.ok) state = next.value;
  }
  return state;
}
