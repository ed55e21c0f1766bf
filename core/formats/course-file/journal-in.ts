import { CHAIN_START, chainSum, entrySchema, isFullPiece, type Entry, type SumOf } from "#core/changes";
import { CHAIN, JOURNAL, type CourseFileIssue, type ReadPiece } from "./archive";
import type { Replay } from "./replay";
import { Lines } from "./text-pieces";

/** Length of a line of `journal.sums`. */
const SUM_LINE = 65;

/** What a journal that is being read leads to, and where its pieces go. */
interface JournalWay {
  readonly replay: Replay;
  readonly sumOf: SumOf;
  /** The lines of `journal.sums`; null in a file of a version that had none. */
  readonly sums: Uint8Array | null;
  readonly take: (piece: ReadPiece) => Promise<void> | void;
}

/**
 * Reads `journal.json` as it comes, an entry a line, and hands it on in pieces. A list with another layout, as versions
 * before the seventh wrote it, is read when all of it is there.
 */
export class JournalIn {
  /** The first entry that does not follow the one before it in the chain, from 1 on; null where all do. */
  broken: number | null = null;
  #issue: CourseFileIssue | null = null;
  readonly #lines = new Lines();
  /** The first lines, until their layout is known, or all of another layout. */
  #held: string[] = [];
  #layout: "unknown" | "lines" | "other" = "unknown";
  /** Whether another entry must follow, may not, or the list has ended. */
  #next: "entry" | "end" | "nothing" = "entry";
  #piece: { readonly texts: string[]; readonly sums: string[]; readonly entries: Entry[] } = emptyPiece();
  #letters = 0;
  #before: string = CHAIN_START;
  #last: string = CHAIN_START;

  constructor(private readonly way: JournalWay) {}

  /** Takes the next bytes of the part. */
  async take(bytes: Uint8Array): Promise<void> {
    for (const line of this.#lines.take(bytes)) await this.#line(line);
  }

  /** What is wrong with the journal; null where it is whole. */
  async end(): Promise<CourseFileIssue | null> {
    const rest = this.#lines.rest();
    if (this.#layout === "lines") {
      if (rest !== "" || this.#next !== "nothing") this.#refuse();
    } else await this.#otherLayout([...this.#held, rest].join("\n"));
    await this.#handOn();
    const { sums, replay } = this.way;
    if (!this.#issue && sums && sums.length !== replay.count * SUM_LINE) this.#refuse(CHAIN);
    return this.#issue;
  }

  #refuse(part = JOURNAL): void {
    this.#issue ??= { code: "file_part_damaged", part };
  }

  async #line(line: string): Promise<void> {
    if (this.#layout !== "lines") {
      this.#held.push(line);
      if (this.#layout === "unknown") this.#layout = layoutOf(this.#held);
      if (this.#layout === "lines") await this.#entryLine(line);
    } else await this.#entryLine(line);
  }

  async #entryLine(line: string): Promise<void> {
    if (this.#issue) return;
    if (line === "]" && this.#next === "end") this.#next = "nothing";
    else if (this.#next !== "entry") this.#refuse();
    else {
      const isLast = !line.endsWith(",");
      if (isLast) this.#next = "end";
      const text = isLast ? line : line.slice(0, -1);
      await this.#entry(text, parsedOrNull(text));
    }
  }

  async #otherLayout(whole: string): Promise<void> {
    const list = parsedOrNull(whole);
    if (!Array.isArray(list)) this.#refuse();
    else for (const entry of list) await this.#entry(JSON.stringify(entry), entry);
  }

  async #entry(text: string, content: unknown): Promise<void> {
    if (this.#issue) return;
    const parsed = entrySchema.safeParse(content);
    if (!parsed.success || !this.way.replay.take(parsed.data)) {
      this.#refuse();
      return;
    }
    const sum = this.#sumOf(text, this.way.replay.count);
    this.#piece.texts.push(text);
    this.#piece.sums.push(sum);
    this.#piece.entries.push(parsed.data);
    this.#last = sum;
    this.#letters += text.length;
    if (isFullPiece(this.#piece.texts.length, this.#letters)) await this.#handOn();
  }

  /** The sum that is said to be an entry's; where none is, the one that it has. */
  #sumOf(text: string, count: number): string {
    const { sums, sumOf } = this.way;
    if (!sums) return chainSum(this.#last, text, sumOf);
    const said = new TextDecoder().decode(sums.subarray((count - 1) * SUM_LINE, count * SUM_LINE));
    if (!/^[0-9a-f]{64}\n$/.test(said)) this.#refuse(CHAIN);
    const sum = said.slice(0, -1);
    if (this.broken === null && chainSum(this.#last, text, sumOf) !== sum) this.broken = count;
    return sum;
  }

  async #handOn(): Promise<void> {
    const { texts } = this.#piece;
    if (this.#issue || texts.length === 0) return;
    await this.way.take({ ...this.#piece, before: this.#before, first: this.way.replay.count - texts.length + 1 });
    this.#before = this.#last;
    [this.#piece, this.#letters] = [emptyPiece(), 0];
  }
}

const emptyPiece = () => ({ texts: [], sums: [], entries: [] });

/** A line an entry: a bracket of its own, then entries from the very beginning of their lines. */
function layoutOf([first, second]: readonly string[]): "unknown" | "lines" | "other" {
  if (first !== "[") return "other";
  return second === undefined ? "unknown" : second.startsWith("{") ? "lines" : "other";
}

function parsedOrNull(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
