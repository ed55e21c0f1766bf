import { configure, Uint8ArrayReader, Uint8ArrayWriter, ZipWriter } from "@zip.js/zip.js";
import { zipSync } from "fflate";
import { ageLocked } from "../age";
import type { CopyLock, MadeFile } from "../protocol";

// The archive is made inside a worker already, and no worker of its own may be fetched.
configure({ useWebWorkers: false });

/** Strength of the key: AES with 256 bits. */
const STRENGTH = 3;
/** The format knows no earlier date; when the files were made is nobody's business. */
const NO_DATE = new Date(1980, 0, 1);

/**
 * The files of one student in one locked file. `files` must not be named after anyone: an archive with AES-256 (WinZip
 * AE-2, an open format) hides what is in the files, not their names. That format turns the passphrase into a key by a
 * thousand rounds only, so it is safe with passphrases that cannot be guessed and with no others; an age file
 * (age-encryption.org/v1) makes each guess cost a second, and hides the names too.
 */
export async function locked(
  stem: string,
  files: readonly MadeFile[],
  { kind, passphrase }: CopyLock,
): Promise<MadeFile> {
  if (kind === "age") {
    const open = zipSync(Object.fromEntries(files.map((file) => [file.name, file.bytes] as const)));
    const shut = await ageLocked(new Blob([open]), passphrase);
    const bytes = new Uint8Array(await shut.arrayBuffer());
    return { name: `${stem}.zip.age`, mediaType: "application/octet-stream", bytes };
  }
  const writer = new ZipWriter(new Uint8ArrayWriter(), { password: passphrase, encryptionStrength: STRENGTH });
  for (const { name, bytes } of files) await writer.add(name, new Uint8ArrayReader(bytes), { lastModDate: NO_DATE });
  return { name: `${stem}.zip`, mediaType: "application/zip", bytes: await writer.close() };
}
