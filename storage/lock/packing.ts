/** How a value stood before it was packed. */
type Head =
  | { readonly kind: "plain"; readonly value: unknown }
  /** An object whose `bytes` follow; `beside` is the rest of it. */
  | { readonly kind: "bytes"; readonly beside: object }
  | { readonly kind: "blob"; readonly type: string };

type Bytes = Uint8Array<ArrayBuffer>;

/** Bytes that say how long the head is. */
const LENGTH = 4;
const NOTHING: Bytes = new Uint8Array(0);

/** What a store is given as bytes: plain JSON, an object of it with one list of `bytes`, or a Blob. */
export async function packed(value: unknown): Promise<Bytes> {
  if (!(value instanceof Blob)) return packedNow(value);
  return joined({ kind: "blob", type: value.type }, new Uint8Array(await value.arrayBuffer()));
}

/** The same at once, for all but a Blob. */
export function packedNow(value: unknown): Bytes {
  if (typeof value === "object" && value !== null && "bytes" in value && value.bytes instanceof Uint8Array) {
    const { bytes, ...beside } = value;
    return joined({ kind: "bytes", beside }, bytes);
  }
  return joined({ kind: "plain", value }, NOTHING);
}

function joined(head: Head, body: Uint8Array): Bytes {
  const text = new TextEncoder().encode(JSON.stringify(head));
  const all = new Uint8Array(LENGTH + text.length + body.length);
  new DataView(all.buffer).setUint32(0, text.length);
  all.set(text, LENGTH);
  all.set(body, LENGTH + text.length);
  return all;
}

/** The value of packed bytes. @throws SyntaxError where they are not whole */
export function unpacked(all: Bytes): unknown {
  const end = LENGTH + new DataView(all.buffer, all.byteOffset).getUint32(0);
  const head = JSON.parse(new TextDecoder().decode(all.subarray(LENGTH, end))) as Head;
  const body = all.subarray(end);
  if (head.kind === "plain") return head.value;
  return head.kind === "blob" ? new Blob([body], { type: head.type }) : { ...head.beside, bytes: body };
}
