// age files (age-encryption.org/v1, an open format; the `age` command opens them): age-encryption, wrapped here alone.
import { Decrypter, Encrypter } from "age-encryption";

type Bytes = Uint8Array<ArrayBuffer>;

/** scrypt with 2^18 rounds, what the `age` command itself uses: about a second for each passphrase tried. */
const WORK_FACTOR = 18;

/** Bytes locked with a passphrase. */
export async function ageLocked(bytes: Bytes, passphrase: string): Promise<Bytes> {
  const encrypter = new Encrypter();
  encrypter.setScryptWorkFactor(WORK_FACTOR);
  encrypter.setPassphrase(passphrase);
  return (await encrypter.encrypt(bytes)) as Bytes;
}

/** What an age file holds; null where the passphrase is another one, or the file is damaged. */
export async function ageOpened(bytes: Bytes, passphrase: string): Promise<Bytes | null> {
  const decrypter = new Decrypter();
  decrypter.addPassphrase(passphrase);
  try {
    return (await decrypter.decrypt(bytes)) as Bytes;
  } catch {
    return null;
  }
}
