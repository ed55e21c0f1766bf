import { useEffect, useMemo, useState } from "react";
import { HtmlPage } from "./html-page";
import { Unreadable } from "./unreadable";
import type { ViewerProps } from "./viewers";
import { markdownHtml, plainHtml } from "./work-text";

type TextPagesProps = Pick<ViewerProps, "blob" | "name" | "markdownText" | "width" | "onPage" | "overlay">;

/** Handed-in text or Markdown on one long page. */
export function TextPages({ blob, name, markdownText, width, onPage, overlay }: TextPagesProps) {
  const [text, setText] = useState<string | null>(null);
  useEffect(() => {
    let current = true;
    void blob.text().then((content) => {
      if (current) setText(content);
    });
    return () => {
      current = false;
    };
  }, [blob]);
  const html = useMemo(() => {
    if (text === null) return "";
    return markdownText ? markdownHtml(text) : plainHtml(text);
  }, [text, markdownText]);
  if (text === null) return <p className="mt-16 text-center text-soft">Opening {name}</p>;
  if (text.trim() === "") {
    return (
      <Unreadable name={name} blob={blob} what="This file is empty." mend="Ask the student to hand it in again." />
    );
  }
  const look = markdownText ? "work-text" : "work-text whitespace-pre-wrap";
  return <HtmlPage html={html} className={look} width={width} onPage={onPage} overlay={overlay} />;
}
