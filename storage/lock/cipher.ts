import { gcm } from "@noble/ciphers/aes";
import { textSum } from "#core/kernel";
import { packed, packedNow, unpacked } from "./packing";
import { UNREADABLE } from "./unreadable";

type Bytes = Uint8Array<ArrayBuffer>;

/** Bytes of a key: AES-256. */
export const KEY_BYTES = 32;
/** Bytes of a nonce (NIST SP 800-38D, 96 bits); a fresh one for every record. */
const NONCE = 12;
/** The first byte of what is sealed: how it is. */
const FORM = 1;

const placeBytes = (place: string): Bytes => new TextEncoder().encode(place);

/**
 * Seals values with AES-256-GCM (NIST SP 800-38D). The place of a record, which holds its number, is bound in: one that
 * was put in another's place does not open. What has to be kept within the turn of a key is sealed at once, by a library;
 * all else by the browser, which is faster for much and works beside the page.
 */
export class Cipher {
  readonly #raw: Bytes;
  readonly #key: Promise<CryptoKey>;

  constructor(raw: Uint8Array) {
    this.#raw = new Uint8Array(raw);
    this.#key = crypto.subtle.importKey("raw", this.#raw, "AES-GCM", false, ["encrypt", "decrypt"]);
  }

  async seal(place: string, value: unknown): Promise<Bytes> {
    const [key, plain] = await Promise.all([this.#key, packed(value)]);
    const nonce = crypto.getRandomValues(new Uint8Array(NONCE));
    const how = { name: "AES-GCM", iv: nonce, additionalData: placeBytes(place) };
    return record(nonce, new Uint8Array(await crypto.subtle.encrypt(how, key, plain)));
  }

  /** The value of a record; `UNREADABLE` where it is not whole. */
  async open(place: string, stored: unknown): Promise<unknown> {
    const parts = partsOf(stored);
    if (!parts) return UNREADABLE;
    const how = { name: "AES-GCM", iv: parts.nonce, additionalData: placeBytes(place) };
    try {
      return unpacked(new Uint8Array(await crypto.subtle.decrypt(how, await this.#key, parts.sealed)));
    } catch {
      return UNREADABLE;
    }
  }

  /** Seals plain values within this turn. */
  sealNow(place: string, value: unknown): Bytes {
    const nonce = crypto.getRandomValues(new Uint8Array(NONCE));
    return record(nonce, gcm(this.#raw, nonce, placeBytes(place)).encrypt(packedNow(value)));
  }

  openNow(place: string, stored: unknown): unknown {
    const parts = partsOf(stored);
    if (!parts) return UNREADABLE;
    try {
      return unpacked(new Uint8Array(gcm(this.#raw, parts.nonce, placeBytes(place)).decrypt(parts.sealed)));
    } catch {
      return UNREADABLE;
    }
  }

  /** A name that says nothing of what it stands for, and is always the same for the same. */
  nameFor(text: string): string {
    return textSum(`${this.#raw.join(" ")} ${text}`);
  }
}

function record(nonce: Uint8Array, sealed: Uint8Array): Bytes {
  const all = new Uint8Array(1 + nonce.length + sealed.length);
  all[0] = FORM;
  all.set(nonce, 1);
  all.set(sealed, 1 + nonce.length);
  return all;
}

function partsOf(stored: unknown): { readonly nonce: Bytes; readonly sealed: Bytes } | null {
  if (!(stored instanceof Uint8Array) || stored[0] !== FORM) return null;
  const bytes = stored as Bytes;
  return { nonce: bytes.subarray(1, 1 + NONCE), sealed: bytes.subarray(1 + NONCE) };
}
