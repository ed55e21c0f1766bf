/** First bytes of an age file (age-encryption.org/v1, "File format"); the `age` command writes the same. */
const AGE_HEAD = "age-encryption.org/v1\n";

/** Whether a file is locked as an age file, by its first bytes. */
export async function isAgeFile(file: Blob): Promise<boolean> {
  return (await file.slice(0, AGE_HEAD.length).text()) === AGE_HEAD;
}
