import { useEffect } from "react";
import { Link } from "react-router";
import { inAddress } from "../../../../ui/address";
import { DropPlace } from "../../../../ui/files/drop-place";
import { FileButton } from "../../../../ui/files/file-button";
import { prepareForPdf } from "../../../../ui/work/pages/prepare-work";
import { FileNewsLine } from "./file-news";
import type { PaperFiles } from "./use-paper-files";
import type { DeskRows } from "../rows";
import type { HandInActions } from "./use-hand-in";

interface NoWorkProps {
  readonly slot: string;
  readonly rows: DeskRows;
  readonly handIn: HandInActions;
  readonly files: PaperFiles;
}

export function NoWork({ slot, rows, handIn, files }: NoWorkProps) {
  useEffect(() => {
    // Nothing rests on it: what cannot be got ready now is loaded when it is shown, and said to be unreadable there.
    const idle = requestIdleCallback(() => void prepareForPdf().catch(() => null));
    return () => {
      cancelIdleCallback(idle);
    };
  }, []);
  const onPaper = rows.channel === "paper" || rows.attempts > 0;
  return (
    <DropPlace
      words={`Let go to hand in for ${rows.student.givenName}`}
      className="grid h-full place-items-center bg-table p-8"
      onFiles={(dropped) => void handIn.addFiles(dropped)}
    >
      <div className="max-w-md text-center">
        <p className="font-serif text-xl">
          {onPaper ? "On paper: there is nothing to open here." : "Nothing handed in yet."}
        </p>
        <p className="mt-2 text-soft">
          {onPaper
            ? `${rows.criteria.length > 0 ? "Judge it on its rulers" : "Type its score (Enter)"}, with the paper beside you.`
            : `Say that ${rows.student.givenName} is missing (M) or excused (X), or add what came in another way.`}
        </p>
        <div className="mt-4 flex justify-center gap-2">
          <FileButton words="Add files" multiple onFiles={(chosen) => void handIn.addFiles(chosen)} />
          {rows.figure.standing === "expected" && (
            <Link className="act act-quiet" to={`/courses/${slot}/collect?into=${inAddress(rows.assignment.id)}`}>
              Collect for all
            </Link>
          )}
          {rows.figure.standing === "expected" && (
            <button type="button" className="act act-quiet" onClick={() => void handIn.addPaper()}>
              It came on paper
            </button>
          )}
          {onPaper && (
            <button type="button" className="act act-quiet" onClick={files.savePdf}>
              Save the feedback page (PDF)
            </button>
          )}
        </div>
        <FileNewsLine files={files} trouble={handIn.trouble} />
      </div>
    </DropPlace>
  );
}
