import MarkdownIt from "markdown-it";
import { useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";
import { safeHtml } from "./safe-html";
import { Unreadable } from "./unreadable";
import type { PageHandle } from "./types";

const markdown = new MarkdownIt({ html: false, linkify: false });

interface TextPagesProps {
  readonly blob: Blob;
  readonly name: string;
  readonly markdownText: boolean;
  readonly width: number;
  readonly onPage: (handle: PageHandle) => void;
  readonly overlay: (page: number) => React.ReactNode;
}

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
  const html = useMemo(
    () => (text === null || !markdownText ? "" : safeHtml(markdown.render(text))),
    [text, markdownText],
  );
  const page = useRef<HTMLDivElement>(null);
  const body = useRef<HTMLDivElement>(null);
  // Before it is painted: what can be seen can be selected, and a passage is found only on a page that is known.
  useLayoutEffect(() => {
    const element = page.current;
    if (!element || text === null) return;
    const report = () => {
      onPage({ number: 1, element, textRoot: body.current });
    };
    report();
    // The lines break anew when the page gets another width or the fonts arrive.
    const observer = new ResizeObserver(report);
    observer.observe(element);
    return () => {
      observer.disconnect();
    };
  }, [text, html, width, onPage]);
  if (text?.trim() === "") {
    return (
      <Unreadable name={name} blob={blob} what="This file is empty." mend="Ask the student to hand it in again." />
    );
  }
  return (
    <div
      ref={page}
      data-page={1}
      className="relative mx-auto min-h-[780px] border border-rule bg-white px-12 py-11"
      style={{ width }}
    >
      {overlay(1)}
      {text === null ? (
        <p className="text-[#565b70]">Opening</p>
      ) : markdownText ? (
        <div ref={body} className="work-text relative" dangerouslySetInnerHTML={{ __html: html }} />
      ) : (
        <div ref={body} className="work-text relative whitespace-pre-wrap">
          {text}
        </div>
      )}
    </div>
  );
}
