import { sha256 } from "@noble/hashes/sha2.js";
import { bytesToHex, utf8ToBytes } from "@noble/hashes/utils.js";

/** The SHA-256 (FIPS 180-4) of bytes in hexadecimal: two contents with the same sum are the same content. */
export const contentSum = (bytes: Uint8Array): string => bytesToHex(sha256(bytes));

/** The sum of a text's UTF-8 bytes. */
export const textSum = (text: string): string => contentSum(utf8ToBytes(text));
