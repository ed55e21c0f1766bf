import { applyPatches, type Command } from "#core/changes";
import { required, type Instant, type StudentId } from "#core/kernel";
import { EMPTY_STATE, type CourseState } from "#core/model";
import { comparePacket, makePacket, readReturned, takeBackOf, undecided, type MadePacket } from "#core/packets";
import { assignmentId, criterionId, run, studentId, WORLD } from "./builders";
import { Journalled } from "./journalled";

/** Packets of the small course's essay, as tests make them, work in them and take them back. */

const essay = assignmentId("essay");
const [ada, ben, cleo] = [studentId("ada"), studentId("ben"), studentId("cleo")];
/** When the packets of the tests are made and taken back. */
export const PACKET_AT = "2026-10-28T08:00:00Z" as Instant;

/** Makes a packet of everybody's essays for I. Marsh, or as wished. */
export const packetOf = (
  state: CourseState,
  wish: Partial<Parameters<typeof makePacket>[1]> = {},
  seed = 7,
): MadePacket =>
  makePacket(
    state,
    {
      assignment: required(state.assignments[essay], "essay"),
      studentIds: [ada, ben, cleo],
      purpose: "scores",
      blind: false,
      markerName: "I. Marsh",
      ...wish,
    },
    { at: PACKET_AT, fresh: WORLD.fresh, seed },
  );

/** The packet as its marker has it open. */
export function opened({ entries }: MadePacket): Journalled {
  const first = applyPatches(EMPTY_STATE, required(entries[0], "entry").change.patches);
  if (!first.ok) throw new Error("the packet does not open");
  const desk = new Journalled(first.value);
  desk.entries = [...entries];
  return desk;
}

/** The course once it has handed the packet over. */
export const handedOver = (state: CourseState, { packet }: MadePacket, markerName = "I. Marsh"): CourseState =>
  run(state, { type: "handOverPacket", packet, markerName });

/** Takes back what a marker sends; where both changed something, what the packet says is taken or not. */
export function takenBack(
  state: CourseState,
  entries: Journalled["entries"],
  choice: "here" | "packet" = "here",
): CourseState {
  const returned = readReturned(state, entries);
  if (!returned.ok) throw new Error(returned.issue.code);
  const papers = comparePacket(state, returned.value);
  const choices = new Map(undecided(papers, new Map()).map(({ place }) => [place, choice] as const));
  return run(state, takeBackOf(state, returned.value, papers, { choices, at: PACKET_AT }));
}

/** What became of each paper; the code of the refusal where the packet is none of this course. */
export const paperStates = (state: CourseState, entries: Journalled["entries"]) => {
  const returned = readReturned(state, entries);
  if (!returned.ok) return returned.issue.code;
  return Object.fromEntries(
    comparePacket(state, returned.value).map((paper) => [paper.studentId.slice("student:".length), paper.state]),
  );
};

/** What a packet calls a student. */
export const codeIn = ({ packet }: MadePacket, student: StudentId): StudentId =>
  required(
    packet.papers.find(({ studentId: id }) => id === student),
    "paper",
  ).code;

/** Judges one criterion of an essay. */
export const judgeEssay = (student: StudentId, criterion: string, text: string): Command => ({
  type: "judge",
  assignmentId: essay,
  studentId: student,
  criterionId: criterionId(criterion),
  verdict: { kind: "points", text },
});
/** Comments on an essay. */
export const commentOnEssay = (student: StudentId, text: string): Command => ({
  type: "setComment",
  assignmentId: essay,
  studentId: student,
  facing: "student",
  text,
});
