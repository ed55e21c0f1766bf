// age files (age-encryption.org/v1, an open format; the `age` command opens them): age-encryption, wrapped here alone.
import { Decrypter, Encrypter } from "age-encryption";

/** scrypt with 2^18 rounds, what the `age` command itself uses: about a second for each passphrase tried. */
const WORK_FACTOR = 18;

const blobOf = (stream: ReadableStream<Uint8Array>): Promise<Blob> =>
  new Response(stream as ReadableStream<Uint8Array<ArrayBuffer>>).blob();

/** A file locked with a passphrase; it goes through piece by piece. A lower work factor is for files that hide nothing. */
export async function ageLocked(file: Blob, passphrase: string, workFactor = WORK_FACTOR): Promise<Blob> {
  const encrypter = new Encrypter();
  encrypter.setScryptWorkFactor(workFactor);
  encrypter.setPassphrase(passphrase);
  return blobOf(await encrypter.encrypt(file.stream()));
}

/** What an age file holds; null where the passphrase is another one, or the file is damaged. */
export async function ageOpened(file: Blob, passphrase: string): Promise<Blob | null> {
  const decrypter = new Decrypter();
  decrypter.addPassphrase(passphrase);
  try {
    return await blobOf(await decrypter.decrypt(file.stream()));
  } catch {
    return null;
  }
}
