import { z } from "zod/mini";
import { refuse } from "#core/kernel";
import {
  answerSchema,
  groupSchema,
  idField,
  instantField,
  judgementSchema,
  nameField,
  noteSchema,
  packetSchema,
  resultSchema,
  secondMarkSchema,
  type CourseState,
  type Packet,
} from "#core/model";
import { counted } from "#core/words";
import type { CommandKind } from "../../engine/change";
import { assignmentAt, finish, put, remove } from "../../engine/command-parts";

const handOverInput = z.object({
  packet: packetSchema,
  /** Who it is for; somebody new becomes a marker of the course. */
  markerName: nameField,
});

/** Notes that a part of the course was handed to another marker. */
export const handOverPacket: CommandKind<z.infer<typeof handOverInput>> = {
  input: handOverInput,
  prepare: (state, { packet, markerName }) => {
    const found = assignmentAt(state, packet.assignmentId);
    if (!found.ok) return found;
    const unknown = packet.papers.find(({ studentId }) => !state.students[studentId]);
    if (unknown) return refuse({ code: "unknown_record", what: "student", id: unknown.studentId });
    const marker = state.markers[packet.markerId];
    const words = `packet of ${counted(packet.papers.length, "paper")} for ${markerName}${packet.blind ? ", blind" : ""}`;
    return finish(
      `${found.value.name}: ${words}`,
      marker ? null : put(state, "markers", { id: packet.markerId, name: markerName }),
      put(state, "packets", packet),
    );
  },
};

const forgetInput = z.object({ packetId: idField("packet") });

/** Forgets a packet: it cannot be taken back any more. What was taken back of it stays. */
export const forgetPacket: CommandKind<z.infer<typeof forgetInput>> = {
  input: forgetInput,
  prepare: (state, { packetId }) => {
    const packet = state.packets[packetId];
    if (!packet) return refuse({ code: "unknown_record", what: "packet", id: packetId });
    const assignment = state.assignments[packet.assignmentId]?.name ?? "";
    return finish(`${assignment}: ${ofPacket(state, packet)} forgotten`, remove(state, "packets", packetId));
  },
};

const takeBackInput = z.object({
  packetId: idField("packet"),
  /** How far the packet's journal goes, its last change, and when it is taken back. */
  taken: z.object({ at: instantField, seq: z.int().check(z.minimum(1)), changeId: idField("change") }),
  results: z.array(resultSchema).check(z.maxLength(5_000)),
  judgements: z.array(judgementSchema).check(z.maxLength(50_000)),
  answers: z.array(answerSchema).check(z.maxLength(50_000)),
  groups: z.array(groupSchema).check(z.maxLength(5_000)),
  notes: z.array(noteSchema).check(z.maxLength(50_000)),
  notesGone: z.array(idField("note")).check(z.maxLength(50_000)),
  secondMarks: z.array(secondMarkSchema).check(z.maxLength(5_000)),
});

/** What is taken over of a packet: whole records, as the comparison with it has put them together. */
export type TakenBack = z.infer<typeof takeBackInput>;

/** Takes over what a marker did in a packet, in that marker's name. Only papers of the packet can be touched. */
export const takeBackPacket: CommandKind<TakenBack> = {
  input: takeBackInput,
  prepare: (state, { packetId, taken, notesGone, ...records }) => {
    const packet = state.packets[packetId];
    if (!packet) return refuse({ code: "unknown_record", what: "packet", id: packetId });
    const stray = strayOf(state, packet, { ...records, notesGone });
    if (stray) return refuse({ code: "unknown_record", what: "paper of the packet", id: stray });
    const patches = [
      ...records.results.map((record) => put(state, "results", record)),
      ...records.judgements.map((record) => put(state, "judgements", record)),
      ...records.answers.map((record) => put(state, "answers", record)),
      ...records.groups.map((record) => put(state, "groups", record)),
      ...records.notes.map((record) => put(state, "notes", record)),
      ...records.secondMarks.map((record) => put(state, "secondMarks", record)),
      ...notesGone.map((id) => remove(state, "notes", id)),
    ];
    const assignment = state.assignments[packet.assignmentId]?.name ?? "";
    const papers = papersIn(records);
    const done = finish(
      `${assignment}: ${ofPacket(state, packet)} taken back, ${counted(papers, "paper")}`,
      ...patches,
      put(state, "packets", { ...packet, taken: [...packet.taken, taken] }),
    );
    return done.ok ? { ok: true, value: { ...done.value, by: packet.markerId } } : done;
  },
};

const ofPacket = (state: CourseState, { markerId }: Packet): string =>
  `packet of ${state.markers[markerId]?.name ?? "another marker"}`;

type Records = Omit<TakenBack, "packetId" | "taken" | "notesGone">;

const papersIn = ({ groups, ...records }: Records): number =>
  new Set([
    ...Object.values(records).flatMap((list) => list.map(({ studentId }) => studentId)),
    ...groups.map(({ id }) => id),
  ]).size;

/** The first record that is of no paper of the packet; null where all are. */
function strayOf(
  state: CourseState,
  { papers, assignmentId }: Packet,
  { groups, notesGone, ...records }: Omit<TakenBack, "packetId" | "taken">,
): string | null {
  const inPacket = new Set(papers.map(({ studentId }) => studentId));
  const isOfIt = (one: { readonly assignmentId: string; readonly studentId: (typeof papers)[number]["studentId"] }) =>
    one.assignmentId === assignmentId && inPacket.has(one.studentId);
  for (const list of Object.values(records)) for (const record of list) if (!isOfIt(record)) return record.id;
  for (const id of notesGone) {
    const note = state.notes[id];
    if (note && !isOfIt(note)) return id;
  }
  const strange = groups.find(
    (group) => group.assignmentId !== assignmentId || !group.memberIds.some((member) => inPacket.has(member)),
  );
  return strange?.id ?? null;
}
