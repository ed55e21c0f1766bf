import { readWholeCourseFile, sourceOf, writeProvenCourseFile } from "#core/formats";
import { required, type FileId, type Instant } from "#core/kernel";
import { studentsOf, withRecords, type CourseState } from "#core/model";
import { comparePacket, makePacket, readReturned, takeBackOf } from "#core/packets";
import { runCommand } from "#core/changes";

const PAPERS = 60;
/** Bytes of each paper's file. */
const FILE_SIZE = 1_000_000;
const AT = "2026-10-28T08:00:00Z" as Instant;

/** Milliseconds to hand over a packet of 60 papers with a file of 1 MB each, and to take it back, read and compared. */
export async function measurePackets(large: CourseState): Promise<{ readonly out: number; readonly back: number }> {
  let count = 0;
  const fresh = () => `bench-${String((count += 1))}`;
  const assignment = required(Object.values(large.assignments)[0], "assignment");
  const students = studentsOf(large).slice(0, PAPERS);
  const handIns = students.map(({ id }, place) => ({
    id: `${assignment.id}/${id}`,
    assignmentId: assignment.id,
    studentId: id,
    attempts: [{ number: 1, at: AT, files: [{ ...FILE, id: `file:bench-${String(place)}` as FileId }] }],
  }));
  const state = withRecords(large, "handIns", handIns);
  const noise = new Uint8Array(FILE_SIZE).map((_, at) => (at * 2_654_435_761) >>> 24);
  const start = performance.now();
  const made = makePacket(
    state,
    { assignment, studentIds: students.map(({ id }) => id), purpose: "scores", blind: false, markerName: "B" },
    { at: AT, fresh, seed: 1 },
  );
  const files = new Map(made.files.map(({ file }) => [file.id, noise] as const));
  const written = await writeProvenCourseFile(sourceOf({ entries: made.entries, files }), AT);
  const out = performance.now() - start;
  const context = { at: AT, by: made.packet.markerId, fresh, journal: [] };
  const noted = runCommand(state, { type: "handOverPacket", packet: made.packet, markerName: "B" }, context);
  if (!written.ok || !noted.ok) throw new Error("the packet was not made");
  const begun = performance.now();
  const read = await readWholeCourseFile(written.value.file);
  const returned = read.ok ? readReturned(noted.value.state, read.value.entries) : read;
  if (!returned.ok) throw new Error(returned.issue.code);
  const papers = comparePacket(noted.value.state, returned.value);
  runCommand(
    noted.value.state,
    takeBackOf(noted.value.state, returned.value, papers, { choices: new Map(), at: AT }),
    context,
  );
  return { out, back: performance.now() - begun };
}

const FILE = { name: "paper.pdf", mediaType: "application/pdf", size: FILE_SIZE };
