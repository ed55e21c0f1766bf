import { X } from "lucide-react";
import type { PaperFiles } from "./use-paper-files";

/** How the last job on a file came out, or that it runs and can be stopped. */
export function FileNewsLine({ files, trouble }: { readonly files: PaperFiles; readonly trouble: string | null }) {
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
