/** What a file is that is not shown in place, and what the student can be asked for. */
export interface NotShownWords {
  readonly what: string;
  readonly mend: string;
}

const ask = (what: string, wish: string): NotShownWords => ({
  what: `${what} not shown here.`,
  mend: `Ask the student for ${wish}, or save the file and open it with a program of your own.`,
});

const OLD_WORD = ask("Word files of the older form (.doc) are", "a PDF or a .docx");
const SLIDES = ask("Presentations are", "the slides as a PDF");
const PHOTOGRAPH = ask("This browser does not know photographs of this kind, so they are", "a JPEG");
const ARCHIVE = ask("Archives of this kind are", "a ZIP, or for the files by themselves");

/** By the ending of a file's name; common practice, no source. */
const BY_ENDING: Readonly<Record<string, NotShownWords>> = {
  doc: OLD_WORD,
  rtf: ask("Rich text files are", "a PDF or a .docx"),
  pages: ask("Files of this word processor are", "a PDF"),
  ppt: SLIDES,
  pptx: SLIDES,
  odp: SLIDES,
  key: SLIDES,
  xls: ask("Spreadsheets of the older form (.xls) are", "an .xlsx"),
  heic: PHOTOGRAPH,
  heif: PHOTOGRAPH,
  raw: PHOTOGRAPH,
  rar: ARCHIVE,
  "7z": ARCHIVE,
};

/** Words for a file that is not shown, by the ending of its name. */
export const notShownWords = (name: string): NotShownWords =>
  BY_ENDING[name.split(".").at(-1)?.toLowerCase() ?? ""] ?? {
    what: "Files of this kind are not shown here.",
    mend: "Save it and open it with a program of your own; judge it here by what you see there.",
  };
