import type { z } from "zod/mini";
import { ok, refuse, type FileId, type Result } from "#core/kernel";
import type { CourseState } from "#core/model";
import {
  CHAIN,
  COURSE_FILE_VERSION,
  COVER,
  coverHeadSchema,
  coverSchema,
  JOURNAL,
  RECORDS,
  SUMS,
  type CourseFileIssue,
  type ReadCourse,
  type ReadPiece,
} from "./archive";
import { JournalIn } from "./journal-in";
import { filesOf } from "./named-files";
import { holdsRecords } from "./records-in";
import { Replay } from "./replay";
import { runningSum, type RunningSum } from "./running-sum";
import { readSums } from "./sums";
import { partsOf, type Parts } from "./zip-in";

type Read<T> = Result<T, CourseFileIssue>;
type Cover = z.infer<typeof coverSchema>;

const damaged = (part: string) => refuse<CourseFileIssue>({ code: "file_part_damaged", part });

/**
 * Reads a course file, or says why not. Its journal goes to `take` piece by piece as it is read: what was taken is worth
 * something only once the whole file was found good.
 */
export async function readCourseFile(
  file: Blob,
  take: (piece: ReadPiece) => Promise<void> | void = () => undefined,
): Promise<Read<ReadCourse>> {
  const archive = await partsOf(file);
  if (!archive.ok) return archive;
  const known = await readCover(archive.value);
  if (!known.ok) return known;
  const { cover, listed } = known.value;
  const parts = new SummedParts(archive.value, listed, await runningSum());
  if (!(await parts.read(COVER, () => undefined))) return damaged(COVER);
  const journal = await readJournal(parts, cover, take);
  if (!journal.ok) return journal;
  const { state, replay } = journal.value;
  if (!(await holdsRecords(parts, state))) return refuse(issueOf(parts, RECORDS));
  const files = await takeFiles(parts, cover, state, replay);
  if (!files.ok) return files;
  const { broken, unproven } = journal.value;
  const { history, count } = replay;
  return ok({ ...files.value, state, history, count, unproven, broken, sums: parts.sums });
}

const issueOf = (parts: SummedParts, part: string): CourseFileIssue => ({
  code: parts.names.has(part) ? "file_part_damaged" : "file_part_missing",
  part,
});

/** The parts of an archive, each held against the sum that is listed for it. */
class SummedParts implements Parts {
  readonly names: ReadonlySet<string>;
  readonly sums = new Map<string, string>();

  constructor(
    private readonly parts: Parts,
    /** Null in a file of a version that had no sums. */
    private readonly listed: ReadonlyMap<string, string> | null,
    private readonly sum: RunningSum,
  ) {
    this.names = parts.names;
  }

  async read(name: string, take: Parameters<Parts["read"]>[1]): Promise<boolean> {
    this.sum.end();
    const isThere = await this.parts.read(name, (bytes) => {
      this.sum.add(bytes);
      return take(bytes);
    });
    const sum = this.sum.end();
    this.sums.set(name, sum);
    return isThere && (this.listed === null || this.listed.get(name) === sum);
  }
}

/** A part as it lies in the archive; null where it is not there or not whole. */
async function wholePart(parts: Parts, name: string): Promise<Blob | null> {
  const pieces: Uint8Array<ArrayBuffer>[] = [];
  const isWhole = await parts.read(name, (bytes) => {
    pieces.push(bytes);
  });
  return isWhole ? new Blob(pieces) : null;
}

/** What the cover says, and the sums of the parts where the version has them. */
async function readCover(parts: Parts): Promise<Read<{ cover: Cover; listed: ReadonlyMap<string, string> | null }>> {
  const content = jsonOf(await textOf(await wholePart(parts, COVER)));
  const head = coverHeadSchema.safeParse(content);
  if (!head.success) return refuse({ code: "file_not_a_course" });
  const { version } = head.data;
  if (version > COURSE_FILE_VERSION) return refuse({ code: "file_newer", version, known: COURSE_FILE_VERSION });
  const cover = coverSchema.safeParse(content);
  if (!cover.success) return damaged(COVER);
  const unfit = cover.data.files.find(({ path }) => !isPlace(path));
  if (unfit) return refuse({ code: "file_part_missing", part: unfit.path });
  const own = [COVER, RECORDS, JOURNAL, ...(version < FIRST_WITH_CHAIN ? [] : [CHAIN])];
  const paths = [...own, ...cover.data.files.map(({ path }) => path)];
  if (version < FIRST_WITH_SUMS) return ok({ cover: cover.data, listed: null });
  if (!parts.names.has(SUMS)) return refuse({ code: "file_part_missing", part: SUMS });
  const list = await textOf(await wholePart(parts, SUMS));
  const listed = list === null ? null : readSums(list);
  if (listed?.size !== new Set(paths).size) return damaged(SUMS);
  const missing = paths.find((path) => !parts.names.has(path));
  return missing === undefined
    ? ok({ cover: cover.data, listed })
    : refuse({ code: "file_part_missing", part: missing });
}

const FIRST_WITH_SUMS = 6;
const FIRST_WITH_CHAIN = 7;

const textOf = async (part: Blob | null): Promise<string | null> => part && part.text();

function jsonOf(text: string | null): unknown {
  try {
    return text && (JSON.parse(text) as unknown);
  } catch {
    return null;
  }
}

/** Files lie in one folder; a path that leads anywhere else is not followed. */
const isPlace = (path: string): boolean => /^files\/[^/\\]+$/.test(path) && !/^files\/\.\.?$/.test(path);

interface ReadJournal {
  readonly state: CourseState;
  readonly replay: Replay;
  readonly broken: number | null;
  readonly unproven: number;
}

async function readJournal(
  parts: SummedParts,
  cover: Cover,
  take: (piece: ReadPiece) => Promise<void> | void,
): Promise<Read<ReadJournal>> {
  const list = cover.version < FIRST_WITH_CHAIN ? null : await wholePart(parts, CHAIN);
  if (cover.version >= FIRST_WITH_CHAIN && !list) return refuse(issueOf(parts, CHAIN));
  const sums = list && new Uint8Array(await list.arrayBuffer());
  const replay = new Replay();
  const link = await runningSum();
  const sumOf = (text: string) => {
    link.add(text);
    return link.end();
  };
  const journal = new JournalIn({ replay, sumOf, sums, take });
  const issue = await issueIn(parts, journal);
  if (issue) return refuse(issue);
  const state = replay.end();
  if (!state) return damaged(JOURNAL);
  const unproven = sums ? (cover.unproven ?? replay.count) : replay.count;
  return ok({ state, replay, broken: journal.broken, unproven });
}

async function issueIn(parts: SummedParts, journal: JournalIn): Promise<CourseFileIssue | null> {
  try {
    const isWhole = await parts.read(JOURNAL, (bytes) => journal.take(bytes));
    return isWhole ? await journal.end() : issueOf(parts, JOURNAL);
  } catch (error) {
    // An entry longer than the longest text there can be: no course of ours has one.
    if (error instanceof RangeError) return { code: "file_part_damaged", part: JOURNAL };
    throw error;
  }
}

async function takeFiles(
  parts: Parts,
  cover: Cover,
  state: CourseState,
  replay: Replay,
): Promise<Read<Pick<ReadCourse, "files" | "lacking">>> {
  const named = replay.filesNamed(state);
  // Files the course names as it stands; others are brought back by undoing only.
  const needed = new Set(filesOf(state).map(({ id }) => id));
  const listed = new Map(cover.files.map((file) => [file.id, file]));
  const gone = new Set(cover.lacking.map(({ id }) => id));
  const files = new Map<FileId, Blob>();
  for (const [id, { mediaType }] of named) {
    const place = listed.get(id);
    if (!place || !parts.names.has(place.path)) {
      if (gone.has(id) || !needed.has(id)) continue;
      return refuse({ code: "file_part_missing", part: place?.path ?? id });
    }
    const whole = await wholePart(parts, place.path);
    if (whole?.size !== place.size) return damaged(place.path);
    files.set(id, new Blob([whole], { type: mediaType }));
  }
  return ok({ files, lacking: [...named.values()].filter(({ id }) => needed.has(id) && gone.has(id)) });
}
