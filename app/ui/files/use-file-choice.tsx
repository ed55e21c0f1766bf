import type { ReactNode } from "react";
import { useFiles, type FileKind } from "./use-files";

/** The browser's own choice of files, opened from a menu: `field` stands anywhere on the page, `choose` opens it. */
export function useFileChoice(options: {
  readonly label: string;
  readonly kind?: FileKind;
  readonly multiple?: boolean;
  readonly onFiles: (files: File[]) => void;
}): { readonly field: ReactNode; readonly choose: () => void } {
  const { getInputProps, open } = useFiles(options);
  return { field: <input {...getInputProps({ "aria-label": options.label, hidden: true })} />, choose: open };
}
