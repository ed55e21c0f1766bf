import {
  makePacket,
  readReturned,
  type MadePacket,
  type PacketIssue,
  type PacketWish,
  type ReturnedPacket,
} from "#core/packets";
import { MOST_COURSE_FILE_BYTES } from "#core/formats";
import type { FileId } from "#core/kernel";
import { plainText, type WorkFile } from "#core/model";
import { counted } from "#core/words";
import type { CourseSession, Repository } from "#storage";
import { StoppedError, withoutWriters } from "../../workers/client";
import type { Nameless } from "../../workers/protocol";
import type { JobProgress } from "../ui/hooks/use-job";
import { bytesOf, openCourseFile, writeArchive, type AskPassphrase } from "./course-file";

type Tell = (progress: JobProgress) => void;

/** A packet that is written and waits to be noted in the course and handed over, with what to say of it. */
export interface ReadyPacket {
  readonly made: MadePacket;
  readonly name: string;
  readonly blob: Blob;
  readonly words: string;
}

/** Puts a packet together: its records, and its files without their authors where it is blind. @throws Error with words */
export async function readyPacket(
  repository: Repository,
  session: CourseSession,
  { passphrase, ...wish }: PacketWish & { readonly passphrase: string },
  { signal, tell }: { readonly signal: AbortSignal; readonly tell: Tell },
): Promise<ReadyPacket> {
  const { now, fresh } = repository.surroundings;
  const made = makePacket(session.state, wish, { at: now(), fresh, seed: anySeed() });
  const all = made.files.length * (wish.blind ? 2 : 1) + 2;
  const read = new Map<FileId, Uint8Array<ArrayBuffer>>();
  const lacking: WorkFile[] = [];
  let sum = 0;
  for (const [index, { from, file }] of made.files.entries()) {
    if (signal.aborted) throw new StoppedError();
    tell({ words: `Reading ${file.name}`, done: index, all });
    const bytes = await bytesOf(repository, session.slot, from);
    sum += bytes?.length ?? 0;
    if (sum > MOST_COURSE_FILE_BYTES) throw new Error("The files come to more than 2,000 MB. Choose fewer papers.");
    if (bytes) read.set(file.id, bytes);
    else lacking.push(file);
  }
  const { files, left } = wish.blind
    ? await nameless(made, read, { signal, tell })
    : { files: read, left: NOTHING_LEFT };
  tell({ words: "Packing, and reading it back", done: all - 1, all });
  const stem = `packet-${fileWord(wish.assignment.shortName)}-${fileWord(wish.markerName)}`;
  const archive = { entries: made.entries, files };
  const { name, blob } = await writeArchive({ archive, at: now(), stem, passphrase }, signal);
  const words = [
    `${name} was saved (${(blob.size / 1e6).toFixed(1)} MB): ${counted(made.packet.papers.length, "paper")} for ${wish.markerName}.`,
    lacking.length > 0 && `It lacks ${counted(lacking.length, "file")} no longer in this browser.`,
    left.named.length > 0 && `Their words still name their writers: ${left.named.join(", ")}.`,
    left.unread.length > 0 && `These could not be looked into, and may name their writers: ${left.unread.join(", ")}.`,
  ];
  return { made, name, blob, words: words.filter(Boolean).join(" ") };
}

/** A number that nobody can guess from outside, for the order of blind papers. */
const anySeed = (): number => (crypto.getRandomValues(new Uint32Array(1))[0] ?? 1) % 2_147_483_647;

const fileWord = (text: string): string =>
  plainText(text)
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "")
    .slice(0, 40) || "course";

/** Files that may tell who wrote them, by what is the matter with them. */
interface Left {
  readonly named: readonly string[];
  readonly unread: readonly string[];
}
const NOTHING_LEFT: Left = { named: [], unread: [] };

/** Takes what tells of writers out of the hand-ins; files that go with the task stay as they are. */
async function nameless(
  { files }: MadePacket,
  read: ReadonlyMap<FileId, Uint8Array<ArrayBuffer>>,
  { signal, tell }: { readonly signal: AbortSignal; readonly tell: Tell },
): Promise<{ readonly files: ReadonlyMap<FileId, Uint8Array<ArrayBuffer>>; readonly left: Left }> {
  const own = files.flatMap(({ file, writers }) => {
    const bytes = read.get(file.id);
    return bytes && writers.length > 0 ? [{ file, named: { bytes, mediaType: file.mediaType, names: writers } }] : [];
  });
  const said = (index: number) => {
    tell({
      words: `Taking out who wrote ${own[index]?.file.name ?? ""}`,
      done: files.length + index,
      all: files.length * 2 + 2,
    });
  };
  const done = await withoutWriters(
    own.map(({ named }) => named),
    said,
    signal,
  );
  const cleaned = new Map(read);
  own.forEach(({ file }, at) => {
    const bytes = done[at]?.bytes;
    if (bytes) cleaned.set(file.id, bytes);
  });
  const leftAs = (kind: Nameless["left"]) =>
    own.flatMap(({ file }, at) => (done[at]?.left === kind ? [file.name] : []));
  return { files: cleaned, left: { named: leftAs("named"), unread: leftAs("unread") } };
}

/** A packet that was opened to be looked at; nothing of it is kept yet. */
export interface OpenedPacket {
  readonly returned: ReturnedPacket;
  readonly blobs: ReadonlyMap<FileId, Blob>;
  readonly name: string;
}

/** Opens a packet that came back. @throws Error with the words for the person */
export async function openPacket(
  session: CourseSession,
  file: File,
  { signal, ask }: { readonly signal: AbortSignal; readonly ask: AskPassphrase },
): Promise<OpenedPacket> {
  const { entries, files: blobs } = await openCourseFile(file, signal, ask);
  const returned = readReturned(session.state, entries);
  if (!returned.ok) throw new Error(`${file.name} was not taken back. ${packetIssueWords(returned.issue)}`);
  return { returned: returned.value, blobs, name: file.name };
}

/** Why a packet cannot be taken back, and what to do. */
export function packetIssueWords(issue: PacketIssue): string {
  switch (issue.code) {
    case "not_a_packet":
      return `It holds the whole course "${issue.title}" and no packet. Read it in under Files, or ask for what "Give back" made.`;
    case "packet_of_other_course":
      return `"${issue.title}" was handed over from another course. Open that course and take it back there.`;
    case "packet_unknown":
      return `"${issue.title}" is of this course, which does not know that it was handed over: that was undone or forgotten, or it was handed over from another copy. Undo brings it back; or take it back in that copy.`;
  }
}
