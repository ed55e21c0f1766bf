import { configure, Uint8ArrayReader, Uint8ArrayWriter, ZipWriter } from "@zip.js/zip.js";
import type { MadeFile } from "../protocol";

// The archive is made inside a worker already, and no worker of its own may be fetched.
configure({ useWebWorkers: false });

/** Strength of the key: AES with 256 bits. */
const STRENGTH = 3;

/** Files in an archive locked with AES-256 (WinZip AE-2, an open format), which common archive programs open. */
export async function lockedArchive(files: readonly MadeFile[], passphrase: string): Promise<Uint8Array<ArrayBuffer>> {
  const writer = new ZipWriter(new Uint8ArrayWriter(), { password: passphrase, encryptionStrength: STRENGTH });
  for (const { name, bytes } of files) await writer.add(name, new Uint8ArrayReader(bytes));
  return await writer.close();
}
