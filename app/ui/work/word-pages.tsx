import { useEffect, useState, type ReactNode } from "react";
import { HtmlPage } from "./html-page";
import type { PageHandle } from "./types";
import { Unreadable } from "./unreadable";
import { openWord, type OpenedWord } from "./word-file";

interface WordPagesProps {
  readonly blob: Blob;
  readonly name: string;
  readonly width: number;
  readonly onPage: (handle: PageHandle) => void;
  readonly overlay: (page: number) => ReactNode;
}

/** A Word file, drawn as pages. Macros, embedded pages and anything remote are left out. */
export function WordPages({ blob, name, width, onPage, overlay }: WordPagesProps) {
  const [opened, setOpened] = useState<OpenedWord | null>(null);
  useEffect(() => {
    let current = true;
    void openWord(blob).then((result) => {
      if (current) setOpened(result);
    });
    return () => {
      current = false;
    };
  }, [blob]);
  if (opened === null) return <p className="mt-16 text-center text-soft">Opening {name}</p>;
  if (opened === "damaged") {
    return (
      <Unreadable
        name={name}
        blob={blob}
        what="This Word file cannot be opened; it may be damaged or locked with a password."
        mend="Ask the student to hand it in again, best as a PDF."
      />
    );
  }
  return (
    <>
      <style>{opened.css}</style>
      <HtmlPage html={opened.html} className="work-word" width={width} onPage={onPage} overlay={overlay} />
    </>
  );
}
