import { useEffect, useState } from "react";
import { HtmlPage } from "./html-page";
import { safeHtml } from "./safe-html";
import { Unreadable } from "./unreadable";
import type { ViewerProps } from "./viewers";
import { withThreads } from "./with-threads";

type WebPageProps = Pick<ViewerProps, "blob" | "name" | "width" | "threads" | "onPage" | "overlay">;

/** A stored web page as text with its own pictures: its scripts, styles and everything it would fetch are left out. */
export function WebPage({ blob, name, width, threads, onPage, overlay }: WebPageProps) {
  const [html, setHtml] = useState<string | null>(null);
  useEffect(() => {
    let current = true;
    void blob.text().then((text) => {
      if (current) setHtml(safeHtml(text));
    });
    return () => {
      current = false;
    };
  }, [blob]);
  if (html === null) return <p className="mt-16 text-center text-soft">Opening {name}</p>;
  if (html.trim() === "") {
    return (
      <Unreadable
        name={name}
        blob={blob}
        what="This page holds no words and no pictures of its own."
        mend="Ask the student to store it with what it shows, or to hand it in as a PDF."
      />
    );
  }
  return (
    <HtmlPage
      html={threads ? withThreads(html, threads) : html}
      className="work-text"
      width={width}
      onPage={onPage}
      overlay={overlay}
    />
  );
}
