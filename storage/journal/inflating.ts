import { inflated } from "#core/formats";

type Bytes = Uint8Array<ArrayBuffer>;

/**
 * Bytes that were made smaller, to be had again at once, in the turn in which somebody asks for them. What does that comes
 * where there are such bytes; where it cannot come the browser does it, here and now.
 * @throws Error where the bytes are not whole
 */
export async function inflating(bytes: Bytes): Promise<() => Uint8Array> {
  const part = await import("./inflate").catch(() => null);
  if (part) return () => part.inflateSync(bytes);
  const whole = await inflated(bytes);
  return () => whole;
}
