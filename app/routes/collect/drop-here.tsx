import { FileButton } from "../../ui/files/file-button";

/** Where what came in is dropped, or chosen. */
export function DropHere({ onFiles }: { readonly onFiles: (files: File[]) => void }) {
  return (
    <div className="mt-3 flex flex-wrap items-center gap-x-3 gap-y-2 rounded border border-dashed border-soft bg-sheet/60 px-4 py-2.5">
      <strong className="font-serif text-[17px]">Drop what came in</strong>
      <span className="me-auto text-[13.5px] text-soft">files, a folder, an archive, a spreadsheet, saved mail</span>
      <FileButton words="Choose files" multiple onFiles={onFiles} />
      <FileButton words="Choose a folder" folder multiple look="link text-[14px]" onFiles={onFiles} />
    </div>
  );
}
