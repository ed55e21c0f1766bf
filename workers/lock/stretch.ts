// Argon2id (RFC 9106): hash-wasm, wrapped here alone.
import { argon2id } from "hash-wasm";

/** What trying one passphrase costs: KiB of memory, and how many times over it. */
export interface StretchCost {
  readonly memory: number;
  readonly passes: number;
}

/** RFC 9106, section 4, second recommended option: 64 MiB and three passes; in one lane, as a browser's worker has one. */
export const LEAST: StretchCost = { memory: 65_536, passes: 3 };
/** What one try is to take on this machine, in milliseconds. */
const WISHED = 700;
const MOST_PASSES = 24;
const BYTES = 32;

/** The key of a passphrase: 32 bytes. */
export const stretched = (passphrase: string, salt: Uint8Array, { memory, passes }: StretchCost): Promise<Uint8Array> =>
  argon2id({
    password: passphrase,
    salt,
    memorySize: memory,
    iterations: passes,
    parallelism: 1,
    hashLength: BYTES,
    outputType: "binary",
  });

/** Passes that take about as long as is wished, if so many took so many milliseconds; never fewer than recommended. */
export const passesFor = (milliseconds: number, passes = LEAST.passes): number =>
  Math.min(MOST_PASSES, Math.max(LEAST.passes, Math.round((passes * WISHED) / Math.max(1, milliseconds))));

/** A cost at which one try takes between half a second and a second here. */
export async function measuredCost(): Promise<StretchCost> {
  // Once to warm up: the first try also pays for the program's being made ready.
  await stretched("to warm up", new Uint8Array(16), { memory: 1_024, passes: 1 });
  const start = performance.now();
  await stretched("to measure", new Uint8Array(16), LEAST);
  return { ...LEAST, passes: passesFor(performance.now() - start) };
}
