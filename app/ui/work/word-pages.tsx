import DOMPurify from "dompurify";
import { renderAsync } from "docx-preview";
import { useEffect, useState, type ReactNode } from "react";
import { HtmlPage } from "./html-page";
import { safeStyles, withOwnPictures } from "./safe-html";
import type { PageHandle } from "./types";
import { Unreadable } from "./unreadable";

interface WordPagesProps {
  readonly blob: Blob;
  readonly name: string;
  readonly width: number;
  readonly onPage: (handle: PageHandle) => void;
  readonly overlay: (page: number) => ReactNode;
}

type Opened = { readonly html: string; readonly css: string } | "damaged";

/** A Word file, drawn as pages. Macros, embedded pages and anything remote are left out. */
export function WordPages({ blob, name, width, onPage, overlay }: WordPagesProps) {
  const [opened, setOpened] = useState<Opened | null>(null);
  useEffect(() => {
    let current = true;
    void open(blob).then((result) => {
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

async function open(blob: Blob): Promise<Opened> {
  // Drawn into elements that are not part of the page: nothing of the file is alive before it has been made safe.
  const inert = document.implementation.createHTMLDocument("");
  const host = inert.createElement("div");
  const styles = inert.createElement("div");
  try {
    await renderAsync(blob, host, styles, {
      className: "word",
      inWrapper: false,
      ignoreWidth: true,
      ignoreHeight: true,
      ignoreFonts: true,
      renderAltChunks: false,
      useBase64URL: true,
    });
  } catch {
    return "damaged";
  }
  const safe = DOMPurify.sanitize(host.innerHTML, {
    FORBID_TAGS: ["style", "iframe", "object", "embed", "form", "input", "svg", "math"],
    ALLOWED_URI_REGEXP: /^(?:https?:|mailto:|#|data:image\/(?:png|jpeg|gif|webp);)/i,
  });
  const html = withOwnPictures(safe);
  const css = [...styles.querySelectorAll("style")].map((style) => style.textContent).join("\n");
  return {
    html: html.replace(/style="([^"]*)"/g, (_, style: string) => `style="${safeStyles(style)}"`),
    css: safeStyles(css),
  };
}
