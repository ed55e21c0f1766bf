import { createContext, use } from "react";

/** Whether titles leave names out. */
export const NamelessTitles = createContext(false);

/**
 * What a page is called in its tab: whom or what it is about, then the place. Titles outlive the page in the browser's
 * history, so those of a course with a lock say the place alone.
 */
export function PageTitle({ about = "", children }: { readonly about?: string; readonly children: string }) {
  const isNameless = use(NamelessTitles);
  return <title>{[isNameless ? "" : about, children, "Upright Quill"].filter(Boolean).join(" · ")}</title>;
}
