/** Bytes count as worth making smaller where they come to less than this share of what they were. */
const WORTH = 0.9;

type Bytes = Uint8Array<ArrayBuffer>;

async function through(bytes: Bytes, way: CompressionStream | DecompressionStream): Promise<Bytes> {
  const stream = new Blob([bytes]).stream().pipeThrough(way);
  return new Uint8Array(await new Response(stream).arrayBuffer());
}

/** Bytes made smaller by the browser, away from the page; null where that does not pay. */
export async function deflated(bytes: Bytes): Promise<Bytes | null> {
  const smaller = await through(bytes, new CompressionStream("deflate-raw"));
  return smaller.length < WORTH * bytes.length ? smaller : null;
}

/** Bytes as they were before they were made smaller. @throws TypeError where they are not whole */
export const inflated = (bytes: Bytes): Promise<Bytes> => through(bytes, new DecompressionStream("deflate-raw"));
