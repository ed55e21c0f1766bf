import { useRef, useState } from "react";
import type { ChangeResult, Command } from "#core/changes";
import { webAnnotations } from "#core/formats";
import type { Repository } from "#storage";
import { counted } from "#core/words";
import { StoppedError, runPdfJob } from "../../../../../workers/client";
import { saveAs } from "../../../../ui/save-as";
import { issueWords } from "../../../../ui/words/words";
import { feedbackSheet } from "../../../../exports/feedback-sheet";
import type { EvidenceTarget } from "../../../../ui/work/types";
import type { PaperDraft, Work } from "./load-work";
import type { DeskRows } from "../rows";

/** How a job on a file stands. */
export type FileNews =
  | { readonly kind: "running"; readonly words: string; readonly stop: () => void }
  | { readonly kind: "done"; readonly words: string }
  | { readonly kind: "trouble"; readonly words: string };

export interface PaperFiles {
  readonly news: FileNews | null;
  readonly dismiss: () => void;
  /** Saves the marked paper; where it holds what the student has not been given, that is asked first. */
  readonly savePdf: () => void;
  /** What the paper about to be saved holds beyond what its student was given; null while nothing is asked. */
  readonly asked: readonly string[] | null;
  readonly answer: (save: boolean) => void;
  readonly saveAnnotations: () => void;
  readonly readIn: (file: File) => Promise<void>;
}

interface Paper {
  readonly rows: DeskRows;
  readonly work: Work | null;
  readonly criteria: readonly EvidenceTarget[];
  readonly draft: () => PaperDraft;
  readonly repository: Repository;
  readonly send: (command: Command) => Promise<ChangeResult>;
}

/** One job on a file at a time, with how it stands; a new one stops the one before. */
function useFileNews() {
  const [news, setNews] = useState<FileNews | null>(null);
  const stopper = useRef<AbortController | null>(null);
  const run = async (words: string, job: (signal: AbortSignal) => Promise<string>) => {
    stopper.current?.abort();
    const controller = new AbortController();
    stopper.current = controller;
    const stop = () => {
      controller.abort();
    };
    setNews({ kind: "running", words, stop });
    try {
      setNews({ kind: "done", words: await job(controller.signal) });
    } catch (error) {
      if (error instanceof StoppedError) setNews({ kind: "done", words: "Stopped; nothing was changed." });
      else setNews({ kind: "trouble", words: error instanceof Error ? error.message : "It could not be done." });
    }
  };
  return { news, setNews, run };
}

/** Takes a marked paper out as a PDF or as annotations, and reads remarks back in. */
export function usePaperFiles({ rows, work, criteria, draft, repository, send }: Paper): PaperFiles {
  const { news, setNews, run } = useFileNews();
  const [asked, setAsked] = useState<readonly string[] | null>(null);
  const notes = work ? rows.notes.filter(({ fileId }) => fileId === work.file.id) : [];
  const stem = (
    work ? work.file.name.replace(/\.[^.]+$/, "") : `${rows.student.number}-${rows.assignment.shortName}`
  ).replace(/[\\/:*?"<>|]/g, "-");

  const savePdf = (forInstructors: boolean) =>
    run("Writing the marked paper", async (signal) => {
      const { markedPdf } = await import("../../../../exports/marked-pdf");
      const { course, marker, sealed: _sealed, ...facets } = draft();
      const title = forInstructors ? `Instructor's copy, not released: ${rows.assignment.name}` : rows.assignment.name;
      const sheet = feedbackSheet({ title, course, name: rows.name, ...facets });
      const at = repository.surroundings.now();
      const paper = {
        file: work?.file ?? null,
        blob: work?.blob ?? null,
        notes,
        criteria,
        sheet,
        author: marker,
        at,
      };
      const pdf = await markedPdf(paper, signal);
      const name = `${stem}-${forInstructors ? "instructors-copy" : "marked"}.pdf`;
      if (forInstructors) {
        const place = { assignmentId: rows.assignment.id, studentId: rows.student.id };
        await send({ type: "noteInstructorCopy", ...place });
      }
      saveAs(pdf, name);
      return `${name} was saved with ${counted(notes.length, "remark")}.`;
    });

  return {
    news,
    dismiss: () => {
      setNews(null);
    },
    asked,
    answer: (save) => {
      setAsked(null);
      if (save) void savePdf(true);
    },
    savePdf: () => {
      const { sealed } = draft();
      if (sealed.length > 0) setAsked(sealed);
      else void savePdf(false);
    },
    saveAnnotations: () => {
      if (!work) return;
      const names = new Map<string, string>(criteria.map(({ id, name }) => [id, name]));
      const { marker } = draft();
      const json = webAnnotations({
        file: work.file,
        notes,
        criterionName: ({ criterionId }) => (criterionId && names.get(criterionId)) ?? null,
        authorName: () => marker,
      });
      saveAs(new Blob([json], { type: "application/ld+json" }), `${stem}-remarks.jsonld`);
      setNews({ kind: "done", words: `${stem}-remarks.jsonld was saved with ${counted(notes.length, "remark")}.` });
    },
    readIn: (file) => run(`Reading ${file.name}`, (signal) => readIn(file, { rows, work, criteria, send }, signal)),
  };
}

/** Reads the remarks of a marked file onto the work; answers in words what came of it. */
async function readIn(
  file: File,
  { rows, work, criteria, send }: Pick<Paper, "rows" | "work" | "criteria" | "send">,
  signal: AbortSignal,
): Promise<string> {
  if (!work?.blob) throw new Error("There is no work here to put remarks on.");
  const bytes = new Uint8Array(await file.arrayBuffer());
  const found = await runPdfJob((jobs) => jobs.readMarks(bytes), signal).catch((error: unknown) => {
    if (error instanceof StoppedError) throw error;
    throw new Error(`${file.name} cannot be read as a PDF. Nothing was changed; save it again and try once more.`);
  });
  const { readRemarks } = await import("../../../../exports/read-remarks");
  const { remarks, left } = await readRemarks(file, found, { file: work.file, blob: work.blob, criteria });
  const beside = left === 0 ? "" : ` ${counted(left, "remark")} beside the work left out.`;
  if (remarks.length === 0) return `${file.name} holds no remarks on this work.${beside}`;
  const place = { assignmentId: rows.assignment.id, studentId: rows.student.id, fileId: work.file.id };
  const outcome = await send({ type: "takeInNotes", ...place, notes: [...remarks] });
  if (outcome.ok) return `${outcome.value.line.split(": ").at(-1) ?? ""}.${beside}`;
  if (outcome.issue.code === "nothing_to_change") return `Every remark in ${file.name} stands here already.${beside}`;
  throw new Error(issueWords(outcome.issue));
}
