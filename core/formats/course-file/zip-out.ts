import { BlobWriter, configure, ZipWriter } from "@zip.js/zip.js";
import { milliseconds, type Instant } from "#core/kernel";
import { MOST_BYTES } from "./archive";
import { isSwollen } from "./swollen";
import type { RunningSum } from "./running-sum";

type Pieces = AsyncIterable<Uint8Array<ArrayBuffer>> | Iterable<Uint8Array<ArrayBuffer>>;

/** An archive would be larger than one that can be read back. */
export class TooLargeError extends RangeError {}

/** A ZIP that is written part by part, none of which is ever whole in memory; the sum of each is worked out on its way. */
export class ArchiveOut {
  /** The sums of the parts, in the order in which they were added. */
  readonly sums = new Map<string, string>();
  /** Whether a part was packed so well that reading would take it for a bomb. */
  isSwollen = false;
  readonly #zip: ZipWriter<Blob>;
  #bytes = 0;

  constructor(
    writtenAt: Instant,
    private readonly sum: RunningSum,
  ) {
    configure({ useWebWorkers: false });
    this.#zip = new ZipWriter(new BlobWriter("application/zip"), {
      lastModDate: zipMoment(writtenAt),
      // The same course written at the same moment gives the same bytes, in any time zone.
      extendedTimestamp: false,
      // Sizes stand before the bytes, so that the archive can be read from its beginning.
      dataDescriptor: false,
    });
  }

  /** Adds a part. Answers its size in bytes. @throws TooLargeError when the archive would be larger than can be read back */
  async add(path: string, pieces: Pieces, isPacked: boolean): Promise<number> {
    const iterator = iteratorOf(pieces);
    let size = 0;
    const stream = new ReadableStream<Uint8Array<ArrayBuffer>>({
      pull: async (controller) => {
        const next = await iterator.next();
        if (next.done) {
          controller.close();
          return;
        }
        size += next.value.length;
        if (this.#bytes + size > MOST_BYTES) throw new TooLargeError("more bytes than a course file holds");
        this.sum.add(next.value);
        controller.enqueue(next.value);
      },
    });
    const { compressedSize } = await this.#zip.add(path, stream, isPacked ? {} : { level: 0 });
    this.#bytes += size;
    this.isSwollen ||= isSwollen(size, compressedSize);
    this.sums.set(path, this.sum.end());
    return size;
  }

  /** The archive. */
  end(): Promise<Blob> {
    return this.#zip.close();
  }
}

function iteratorOf(pieces: Pieces): AsyncIterator<Uint8Array<ArrayBuffer>> | Iterator<Uint8Array<ArrayBuffer>> {
  return Symbol.asyncIterator in pieces ? pieces[Symbol.asyncIterator]() : pieces[Symbol.iterator]();
}

/** ZIP knows local dates from 1980 to 2099 only; the true moment stands on the cover. */
function zipMoment(at: Instant): Date {
  const moment = new Date(milliseconds(at));
  const date = new Date(2000, 0, 1);
  date.setFullYear(Math.min(2099, Math.max(1980, moment.getUTCFullYear())), moment.getUTCMonth(), moment.getUTCDate());
  date.setHours(moment.getUTCHours(), moment.getUTCMinutes(), moment.getUTCSeconds());
  return date;
}
