import { useLayoutEffect, useRef, useState, type ReactNode } from "react";
import type { PageContent } from "#core/formats";
import type { PageHandle } from "../types";
import { Address } from "./address";
import { buildTree } from "./build-tree";
import { ownSheet, sheetOf } from "./page-sheet";

/** How a work is set: as handed-in text, as lines of its own, as code, as a spreadsheet, or with the looks of a Word file. */
export type Look = "work-text" | "work-text own-lines" | "work-code" | "work-sheet" | "work-word";

interface ForeignPageProps {
  readonly content: PageContent;
  readonly look: Look;
  readonly width: number;
  readonly onPage: (handle: PageHandle) => void;
  readonly overlay: (page: number) => ReactNode;
}

/** An address that somebody asked for, and where on the page. */
interface Asked {
  readonly address: string;
  readonly left: number;
  readonly top: number;
}

/**
 * A foreign document on one long page. It stands in a closed tree of its own: its styles reach nothing outside, it cannot
 * leave its box, and its links open nothing. What is shown can be selected and marked.
 */
export function ForeignPage({ content, look, width, onPage, overlay }: ForeignPageProps) {
  const page = useRef<HTMLDivElement>(null);
  const host = useRef<HTMLDivElement>(null);
  const root = useRef<HTMLElement | null>(null);
  const [asked, setAsked] = useState<Asked | null>(null);
  // Before it is painted: what can be seen can be selected, and a passage is found only on a page that is known.
  useLayoutEffect(() => {
    const [frame, box] = [page.current, host.current];
    if (!frame || !box) return;
    const body = (root.current ??= closedRoot(box));
    body.className = look;
    const tree = body.getRootNode() as ShadowRoot;
    tree.adoptedStyleSheets = [ownSheet(), sheetOf(content)];
    body.replaceChildren(buildTree(content.nodes, document));
    return asksForAddresses(body, frame, setAsked);
  }, [content, look]);
  useLayoutEffect(() => {
    const element = page.current;
    if (!element) return;
    const report = () => {
      onPage({ number: 1, element, textRoot: root.current });
    };
    report();
    // The lines break anew when the page gets another width or the fonts arrive.
    const observer = new ResizeObserver(report);
    observer.observe(element);
    return () => {
      observer.disconnect();
    };
  }, [content, look, width, onPage]);
  return (
    <div
      ref={page}
      data-page={1}
      className="relative mx-auto min-h-[780px] border border-rule bg-white px-12 py-11"
      style={{ width }}
    >
      {overlay(1)}
      <div ref={host} className="relative isolate overflow-clip [contain:content]" />
      {asked && (
        <Address
          {...asked}
          onClose={() => {
            setAsked(null);
          }}
        />
      )}
    </div>
  );
}

function closedRoot(box: HTMLElement): HTMLElement {
  const body = document.createElement("div");
  box.attachShadow({ mode: "closed" }).append(body);
  return body;
}

/** Links tell where they would lead, by a click or by Enter. Returns how to stop. */
function asksForAddresses(body: HTMLElement, frame: HTMLElement, ask: (asked: Asked) => void): () => void {
  const onAsk = (event: Event) => {
    if (event instanceof KeyboardEvent && event.key !== "Enter" && event.key !== " ") return;
    const link = event.target instanceof Element ? event.target.closest<HTMLElement>("[data-address]") : null;
    if (!link?.dataset["address"]) return;
    event.preventDefault();
    event.stopPropagation();
    const [box, edge] = [link.getBoundingClientRect(), frame.getBoundingClientRect()];
    ask({ address: link.dataset["address"], left: box.left - edge.left, top: box.bottom - edge.top });
  };
  body.addEventListener("click", onAsk);
  body.addEventListener("keydown", onAsk);
  return () => {
    body.removeEventListener("click", onAsk);
    body.removeEventListener("keydown", onAsk);
  };
}
