import { useLayoutEffect, useRef, type ReactNode } from "react";
import type { PageHandle } from "./types";

interface HtmlPageProps {
  /** Made safe already. */
  readonly html: string;
  readonly className: string;
  readonly width: number;
  readonly onPage: (handle: PageHandle) => void;
  readonly overlay: (page: number) => ReactNode;
}

/** Text with its own form on one long page; what is shown can be selected and marked. */
export function HtmlPage({ html, className, width, onPage, overlay }: HtmlPageProps) {
  const page = useRef<HTMLDivElement>(null);
  const body = useRef<HTMLDivElement>(null);
  // Before it is painted: what can be seen can be selected, and a passage is found only on a page that is known.
  useLayoutEffect(() => {
    const element = page.current;
    if (!element) return;
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
  }, [html, width, onPage]);
  return (
    <div
      ref={page}
      data-page={1}
      className="relative mx-auto min-h-[780px] border border-rule bg-white px-12 py-11"
      style={{ width }}
    >
      {overlay(1)}
      <div ref={body} className={`relative ${className}`} dangerouslySetInnerHTML={{ __html: html }} />
    </div>
  );
}
