import { List } from "lucide-react";
import { useEffect, useMemo, useState } from "react";
import { Menu, MenuLine } from "../../dialogs/menu";
import type { OutlineEntry, PdfDocument } from "../pages/pdf-document";

/** What the parts of a work are read from. */
export interface ContentsProps {
  readonly pdf: PdfDocument | null;
  /** The text of a work on one long page. */
  readonly textRoot: HTMLElement | null;
  /** Rises when a page was drawn anew. */
  readonly version: number;
  readonly onPage: (page: number) => void;
}

/** Pages from which on a PDF without an outline gets a list of its pages. */
const LONG = 4;

interface ContentsLine {
  readonly title: string;
  readonly depth: number;
  readonly page: number | null;
  readonly go: () => void;
}

/** Where the parts of the work begin: the outline of a PDF, its pages, or the headings of a text. */
export function Contents({ pdf, textRoot, version, onPage }: ContentsProps) {
  const [outline, setOutline] = useState<{ of: PdfDocument; entries: readonly OutlineEntry[] } | null>(null);
  useEffect(() => {
    if (!pdf) return;
    let valid = true;
    void import("../pages/pdf-document")
      .then(({ pdfOutline }) => pdfOutline(pdf))
      .then(
        (entries) => {
          if (valid) setOutline({ of: pdf, entries });
        },
        // The work was closed meanwhile.
        () => undefined,
      );
    return () => {
      valid = false;
    };
  }, [pdf]);
  const entries = useMemo((): readonly ContentsLine[] => {
    if (!pdf) return headingsOf(textRoot);
    const known = outline?.of === pdf ? outline.entries : [];
    const pages = pdf.numPages < LONG ? [] : Array.from({ length: pdf.numPages }, (_, index) => pageEntry(index + 1));
    return (known.length > 0 ? known : pages).map((entry) => ({
      ...entry,
      go: () => {
        onPage(entry.page);
      },
    }));
    // The headings stand in the document: they are read again when it was drawn anew.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [pdf, outline, textRoot, version, onPage]);
  if (entries.length < 2) return null;
  return (
    <Menu
      label="Contents"
      className="grid size-8 place-items-center rounded text-soft hover:bg-sheet hover:text-ink"
      button={<List size={16} aria-hidden="true" />}
    >
      {entries.map(({ title, depth, page, go }, index) => (
        <MenuLine key={index} onSelect={go}>
          <span style={{ paddingInlineStart: Math.min(depth, 4) * 14 }}>{title}</span>
          {page !== null && <span className="figures text-soft">{page}</span>}
        </MenuLine>
      ))}
    </Menu>
  );
}

const pageEntry = (page: number): OutlineEntry => ({ title: `Page ${String(page)}`, page, depth: 0 });

function headingsOf(root: HTMLElement | null): ContentsLine[] {
  return [...(root?.querySelectorAll<HTMLElement>("h1, h2, h3") ?? [])].map((heading) => ({
    title: heading.textContent.trim(),
    depth: Number(heading.tagName.slice(1)) - 1,
    page: null,
    go: () => {
      heading.scrollIntoView({ block: "start" });
    },
  }));
}
