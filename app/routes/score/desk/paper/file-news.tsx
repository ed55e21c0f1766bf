import { X } from "lucide-react";
import { Ask } from "../../../../ui/dialogs/ask";
import type { PaperFiles } from "./use-paper-files";

/** How the last job on a file came out, or that it runs and can be stopped. */
export function FileNewsLine({ files, trouble }: { readonly files: PaperFiles; readonly trouble: string | null }) {
  return (
    <>
      <NewsLine files={files} trouble={trouble} />
      <Ask
        open={files.asked !== null}
        title="Not everything in it is released"
        action="Save an instructor's copy"
        onClose={() => {
          files.answer(false);
        }}
        onAct={() => {
          files.answer(true);
        }}
      >
        <p>
          The marked paper holds {listed(files.asked ?? [])} as they stand now, which its student has not been given. It
          is saved as an instructor’s copy: it says so on its page, and the journal notes it. What the student was given
          is saved under Release, Student copies.
        </p>
      </Ask>
    </>
  );
}

const listed = (words: readonly string[]): string =>
  words.length < 2 ? words.join("") : `${words.slice(0, -1).join(", ")} and ${words.at(-1) ?? ""}`;

function NewsLine({ files, trouble }: { readonly files: PaperFiles; readonly trouble: string | null }) {
  const { news } = files;
  if (!news && !trouble) return null;
  const bad = trouble !== null || news?.kind === "trouble";
  return (
    <div className="flex items-center gap-3 border-b border-rule bg-paper px-5 py-1 text-[14px]">
      <p role={bad ? "alert" : "status"} className={bad ? "text-wax" : ""}>
        {trouble ?? news?.words}
      </p>
      {news?.kind === "running" && (
        <button type="button" className="link" onClick={news.stop}>
          Stop
        </button>
      )}
      {news && news.kind !== "running" && (
        <button
          type="button"
          aria-label="Put this message away"
          className="ms-auto grid size-7 place-items-center rounded text-soft hover:bg-table hover:text-ink"
          onClick={files.dismiss}
        >
          <X size={15} aria-hidden="true" />
        </button>
      )}
    </div>
  );
}
