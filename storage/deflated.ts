import { inflateSync } from "fflate";

/** Bytes count as worth making smaller where they come to less than this share of what they were. */
const WORTH = 0.9;

/** Bytes made smaller by the browser, away from the page; null where that does not pay. */
export async function deflated(bytes: Uint8Array<ArrayBuffer>): Promise<Uint8Array<ArrayBuffer> | null> {
  const stream = new Blob([bytes]).stream().pipeThrough(new CompressionStream("deflate-raw"));
  const smaller = new Uint8Array(await new Response(stream).arrayBuffer());
  return smaller.length < WORTH * bytes.length ? smaller : null;
}

/** The bytes that were made smaller. @throws Error where they are not whole */
export const inflated = (bytes: Uint8Array): Uint8Array => inflateSync(bytes);
