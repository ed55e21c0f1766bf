/** Letters that are put together before they are made bytes. */
const PIECE = 1 << 18;

/** Texts that follow one another, as bytes in pieces of a good size. */
export function* bytesOfTexts(texts: Iterable<string>): Generator<Uint8Array<ArrayBuffer>> {
  const encoder = new TextEncoder();
  let waiting: string[] = [];
  let letters = 0;
  for (const text of texts) {
    waiting.push(text);
    letters += text.length;
    if (letters < PIECE) continue;
    yield encoder.encode(waiting.join(""));
    [waiting, letters] = [[], 0];
  }
  if (letters > 0) yield encoder.encode(waiting.join(""));
}

/** Lines of a text that comes as bytes, in pieces of any size. A line is as long as it is: it is put together once. */
export class Lines {
  readonly #decoder = new TextDecoder();
  #begun: string[] = [];

  /** The lines that end in this piece, without their ends. */
  take(bytes: Uint8Array): string[] {
    const [first = "", ...rest] = this.#decoder.decode(bytes, { stream: true }).split("\n");
    const last = rest.pop();
    if (last === undefined) {
      this.#begun.push(first);
      return [];
    }
    const line = [...this.#begun, first].join("");
    this.#begun = [last];
    return [line, ...rest];
  }

  /** What stands behind the last end of a line. */
  rest(): string {
    return [...this.#begun, this.#decoder.decode()].join("");
  }
}

/** Whether bytes that come piece by piece are those that were expected, letter for letter. */
export class SameBytes {
  #rest: Uint8Array = new Uint8Array(0);
  #isSame = true;

  constructor(private readonly expected: Iterator<Uint8Array, unknown>) {}

  take(bytes: Uint8Array): void {
    for (let at = 0; this.#isSame && at < bytes.length;) {
      if (this.#rest.length === 0) {
        const next = this.expected.next();
        if (next.done) {
          this.#isSame = false;
          return;
        }
        this.#rest = next.value;
      }
      const length = Math.min(this.#rest.length, bytes.length - at);
      for (let index = 0; index < length; index += 1) {
        if (bytes[at + index] !== this.#rest[index]) this.#isSame = false;
      }
      this.#rest = this.#rest.subarray(length);
      at += length;
    }
  }

  /** Whether all came and nothing else. */
  end(): boolean {
    let next = this.expected.next();
    while (!next.done && next.value.length === 0) next = this.expected.next();
    return this.#isSame && this.#rest.length === 0 && next.done === true;
  }
}
