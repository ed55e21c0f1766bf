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

/**
 * Bytes that were made smaller, to be had again at once, in the turn in which somebody asks for them. What does that comes
 * where there are such bytes; where it cannot come the browser does it, here and now.
 * @throws Error where the bytes are not whole
 */
export async function inflating(bytes: Bytes): Promise<() => Uint8Array> {
  const part = await import("./inflate").catch(() => null);
  if (part) return () => part.inflateSync(bytes);
  const whole = await through(bytes, new DecompressionStream("deflate-raw"));
  return () => whole;
}
