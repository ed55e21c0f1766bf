import { ENTRY_SCHEMA, type Entry, type Patch } from "#core/changes";
import { shuffledBy, type FileId, type Id, type Instant, type MarkerId, type StudentId } from "#core/kernel";
import {
  courseOf,
  cutAt,
  groupOf,
  type Assignment,
  type Course,
  type CourseState,
  type Packet,
  type RecordOf,
  type TableName,
  type WorkFile,
} from "#core/model";
import { calledOtherwise } from "./blind-names";
import { copied, judgedBefore, planOf, workOf, type Copied, type PacketSource } from "./contents";

/** What is asked of a packet. */
export interface PacketWish {
  readonly assignment: Assignment;
  readonly studentIds: readonly StudentId[];
  readonly purpose: Packet["purpose"];
  readonly blind: boolean;
  /** Who it is for; somebody new becomes a marker of the course. */
  readonly markerName: string;
}

/** A packet before it is written. */
export interface MadePacket {
  /** What the course keeps of it. */
  readonly packet: Packet;
  /** Its journal: one entry, in which all of it lies. */
  readonly entries: readonly Entry[];
  /** Its files: by which id the course keeps each, and what the packet calls it. */
  readonly files: readonly PacketFile[];
}

/** A file of a packet. */
export interface PacketFile {
  readonly from: FileId;
  readonly file: WorkFile;
  /** Names of its writers that are covered in it; none where the packet is not blind. */
  readonly writers: readonly string[];
}

/** Where time and ids come from; `seed` puts blind papers into an order that tells nothing. */
export interface Making {
  readonly at: Instant;
  readonly fresh: () => string;
  readonly seed: number;
}

/** Papers with those of the same groups: a group's work lies with one of its members. */
function withMates(state: CourseState, { id }: Assignment, studentIds: readonly StudentId[]): readonly StudentId[] {
  const wanted = studentIds.flatMap((one) => groupOf(state, id, one)?.memberIds ?? [one]);
  return [...new Set(wanted)].filter((one) => state.students[one]?.left === false);
}

/**
 * A part of a course as a course of its own: one assignment, its rubric and task, the chosen papers with their files.
 * Private notes never go. Blind, or for a second judgement, nothing that was judged goes; blind, students are numbered
 * and their files are named after the numbers, in an order of their own, and writers' names are covered in answers and
 * posts; the files themselves are for whoever writes the packet out, by the names that are given with them.
 */
export function makePacket(state: CourseState, wish: PacketWish, { at, fresh, seed }: Making): MadePacket {
  const { assignment, purpose, blind } = wish;
  const id = `packet:${fresh()}` as Id<"packet">;
  const known = Object.values(state.markers).find(({ name }) => name === wish.markerName);
  const markerId = known?.id ?? (`marker:${fresh()}` as MarkerId);
  const chosen = withMates(state, assignment, wish.studentIds);
  const order = blind ? shuffledBy(chosen, seed) : chosen;
  const names = blind ? calledOtherwise(state, assignment, order, fresh) : null;
  const from = { state, assignment, studentIds: order, names };
  const parts: Copied[] = [
    ...planOf(from),
    ...workOf(from),
    ...(blind || purpose === "second" ? [] : judgedBefore(from)),
  ];
  const marker = { id: markerId, name: wish.markerName };
  const head = { id, courseId: courseOf(state).id, purpose, blind };
  const course = { ...courseFor(state, wish, head), id: `course:${fresh()}` as Id<"course">, createdAt: at, markerId };
  const patches = lastOfEach([copied("courses", course), copied("markers", marker), ...parts]).map(patchOf);
  const files = fileList(lastOfEach(parts), from);
  return {
    packet: {
      id,
      assignmentId: assignment.id,
      markerId,
      purpose,
      blind,
      madeAt: at,
      papers: order.map((studentId) => ({ studentId, code: names?.studentCalled(studentId) ?? studentId })),
      renamed: names ? [...files.map(({ from: one, file }) => ({ id: one, code: file.id })), ...names.groups] : [],
      taken: [],
    },
    entries: [
      {
        seq: 1,
        schema: ENTRY_SCHEMA,
        kind: "change",
        of: null,
        change: {
          id: `change:${fresh()}` as Id<"change">,
          type: "beginPacket",
          at,
          by: markerId,
          line: `${assignment.name}: packet of ${String(order.length)} ${order.length === 1 ? "paper" : "papers"}`,
          patches,
        },
      },
    ],
    files,
  };
}

/** The course that the packet is. */
function courseFor(
  state: CourseState,
  { assignment, purpose, blind, markerName }: PacketWish,
  packet: Course["packet"],
): Course {
  const own = courseOf(state);
  return {
    ...own,
    title: `${assignment.name}: packet for ${markerName}`,
    shortTitle: assignment.shortName,
    institution: "",
    origin: "own",
    // A second judgement is of the work alone; what lateness takes is taken where it came from.
    lateRule: purpose === "second" ? null : own.lateRule,
    // A number is read behind its word: "Paper 07".
    namesBy: blind ? "given" : own.namesBy,
    packet,
  };
}

/** A record that comes twice is as it came last. */
const lastOfEach = (parts: readonly Copied[]): readonly Copied[] => [
  ...new Map(parts.map((part) => [`${part.table} ${part.record.id}`, part])).values(),
];

const patchOf = ({ table, record }: Copied): Patch => ({
  table,
  id: record.id,
  before: null,
  after: record,
});

/** Every file that the parts name, with the id by which the course keeps it. */
function fileList(parts: readonly Copied[], { state, assignment, names }: PacketSource): readonly PacketFile[] {
  const known = new Map<FileId, Omit<PacketFile, "file">>();
  for (const { studentId, attempts } of names ? Object.values(cutAt(state, "handIns", assignment.id) ?? {}) : []) {
    const writers = names?.writersOf(studentId) ?? [];
    for (const file of attempts.flatMap(({ files }) => files)) {
      known.set(names?.fileCalled(file).id ?? file.id, { from: file.id, writers });
    }
  }
  return parts.flatMap(({ table, record }) =>
    filesIn(table, record).map((file) => ({ file, ...(known.get(file.id) ?? { from: file.id, writers: [] }) })),
  );
}

function filesIn(table: TableName, record: RecordOf<TableName>): readonly WorkFile[] {
  switch (table) {
    case "assignments":
      return (record as RecordOf<"assignments">).files;
    case "results":
      return (record as RecordOf<"results">).feedbackFiles;
    case "handIns":
      return (record as RecordOf<"handIns">).attempts.flatMap(({ files }) => files);
    default:
      return [];
  }
}
