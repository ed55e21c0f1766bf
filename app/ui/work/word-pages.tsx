import { useEffect, useState } from "react";
import { HtmlPage } from "./html-page";
import { Unreadable } from "./unreadable";
import type { ViewerProps } from "./viewers";
import { keptWord, wordAtHand } from "./kept-words";
import type { OpenedWord } from "./word-file";

type WordPagesProps = Pick<ViewerProps, "blob" | "name" | "width" | "onPage" | "overlay">;

/** A Word file, drawn as pages. Macros, embedded pages and anything remote are left out. */
export function WordPages({ blob, name, width, onPage, overlay }: WordPagesProps) {
  const [opened, setOpened] = useState<OpenedWord | null>(() => wordAtHand(blob));
  useEffect(() => {
    let current = true;
    void keptWord(blob).then((result) => {
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
