import { strToU8, zipSync, type Zippable } from "fflate";
import { copyFileName, mailDraft, studentCopyHtml, type CopyFiles, type MailDraft } from "#core/formats";
import type { FontFile } from "../pdf/messages";
import type { FileId } from "#core/kernel";
import { writePaper } from "../pdf/marked-paper";
import type { CopyMaterial, MadeFile } from "../protocol";
import { writeLetters } from "./letters-pdf";
import { locked } from "./locked";

const PDF = "application/pdf";
/** A locked archive shows the names inside to anyone, so they name nobody. */
const INSIDE = "copy";

/** The files of one student: a page that needs nothing else and a PDF, or one locked file that holds both. */
export async function makeCopy(material: CopyMaterial, fonts: readonly FontFile[]): Promise<readonly MadeFile[]> {
  const { content, sheets, papers, files, formatted, lock } = material;
  const stem = copyFileName(content.number);
  const at = content.madeAt;
  const marked: { readonly name: string; readonly bytes: Uint8Array<ArrayBuffer> }[] = [];
  const inside = new Map<FileId, MadeFile>(files.map((file) => [file.fileId, file]));
  for (const { fileId, name, source, marks, author } of papers) {
    const bytes = await writePaper({ source, marks, author, sheet: null, fonts, at }).catch(() => null);
    // A work that cannot be set on pages goes out as it was handed in, where it is at hand.
    if (!bytes || source.kind === "none") continue;
    marked.push({ name, bytes });
    inside.set(fileId, { name: `${name.replace(/\.[^.]+$/, "")}-marked.pdf`, mediaType: PDF, bytes });
  }
  const page = studentCopyHtml(content, {
    files: inside satisfies CopyFiles,
    formatted: (text) => formatted.get(text) ?? "",
  });
  const letters = await writeLetters(content, sheets, marked, fonts);
  const named = (name: string): MadeFile[] => [
    { name: `${name}.html`, mediaType: "text/html", bytes: strToU8(page) },
    { name: `${name}.pdf`, mediaType: PDF, bytes: letters },
  ];
  return lock === null ? named(stem) : [await locked(stem, named(INSIDE), lock)];
}

/** Letters as e-mail drafts. */
export const mailFiles = (drafts: readonly { readonly name: string; readonly draft: MailDraft }[]): MadeFile[] =>
  drafts.map(({ name, draft }) => ({ name, mediaType: "message/rfc822", bytes: strToU8(mailDraft(draft)) }));

/** Kinds of files that are packed already. */
const STORED = /\.(pdf|zip|age)$/;

/** All files in one archive; a name that stands twice gets a number. */
export function packFiles(files: readonly MadeFile[]): Uint8Array<ArrayBuffer> {
  const entries: Zippable = {};
  for (const { name, bytes } of files) {
    let free = name;
    for (let count = 2; free in entries; count += 1) free = name.replace(/(\.[^.]+)?$/, `-${String(count)}$1`);
    entries[free] = [bytes, { level: STORED.test(name) ? 0 : 6 }];
  }
  return zipSync(entries);
}
