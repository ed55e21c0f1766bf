import { MapPin, Search, ZoomIn, ZoomOut } from "lucide-react";
import { lazy, Suspense, useCallback, useRef, useState } from "react";
import { makePassage, type WorkFile } from "#core/model";
import { FindPassage } from "./find-passage";
import { Margin } from "./margin";
import { MarginEdge } from "./margin-edge";
import { Marks } from "./marks";
import { PassageTools } from "./passage-tools";
import { findWords } from "./find-words";
import type { PdfDocument } from "./pdf-document";
import { mapText } from "./text-map";
import type { EvidenceTarget, Held, NoteActions, ShownNote } from "./types";
import { useComposing } from "./use-composing";
import { useAnchors } from "./use-anchors";
import { useWorkKeys } from "./use-work-keys";

// pdf.js and the Markdown reader are large; each is loaded when work of its kind is first shown.
const PdfPages = lazy(() => import("./pdf-pages").then((module) => ({ default: module.PdfPages })));
const TextPages = lazy(() => import("./text-pages").then((module) => ({ default: module.TextPages })));

interface WorkViewProps {
  readonly file: WorkFile;
  readonly blob: Blob;
  readonly notes: readonly ShownNote[];
  readonly criteria: readonly EvidenceTarget[];
  /** Null where the work is only read. */
  readonly actions: NoteActions | null;
  readonly chosen: string | null;
  readonly onChoose: (noteId: string | null) => void;
  /** Width of the margin as it was left, and where a new one is remembered. */
  readonly marginWidth?: number | undefined;
  readonly onMarginWidth?: (width: number) => void;
}

/** Width of a page at zoom 1, in pixels. */
const PAGE_WIDTH = 622;
/** Width of the margin on the first visit, in pixels. */
const MARGIN_WIDTH = 242;
const ZOOMS = [0.75, 1, 1.25, 1.5, 2] as const;

/** The work on its page, with marks on it and notes level with them in the margin. */
export function WorkView(props: WorkViewProps) {
  const { file, blob, notes, criteria, actions, chosen, onChoose } = props;
  const [marginWidth, setMarginWidth] = useState(props.marginWidth ?? MARGIN_WIDTH);
  const [held, setHeld] = useState<Held | null>(null);
  const [zoom, setZoom] = useState(1);
  const [finding, setFinding] = useState(false);
  const [pinning, setPinning] = useState(false);
  const scroller = useRef<HTMLDivElement>(null);
  const column = useRef<HTMLDivElement>(null);
  const pdf = useRef<PdfDocument | null>(null);
  const composing = useComposing(notes, actions);
  const here = composing.shown;
  const { pages, anchors, heldBoxes, onPage, version } = useAnchors(here, held);
  const width = PAGE_WIDTH * zoom;

  const onDocument = useCallback((document: PdfDocument | null) => {
    pdf.current = document;
  }, []);

  const drop = useCallback(() => {
    setHeld(null);
    setPinning(false);
    window.getSelection()?.removeAllRanges();
  }, []);

  const add = (mark: ShownNote["mark"], criterionId: ShownNote["criterionId"]) => {
    if (!held || !actions) return;
    const target = held.kind === "pin" ? held.pin : held.passage;
    drop();
    if (mark === "strikeout") void actions.add({ mark, target, criterionId });
    else composing.begin({ mark, target, criterionId });
  };

  const tools = {
    onEvidence: (criterion: EvidenceTarget) => {
      add(held?.kind === "pin" ? "pin" : "highlight", criterion.id);
    },
    onNote: () => {
      add(held?.kind === "pin" ? "pin" : "highlight", null);
    },
    onStrike: () => {
      add("strikeout", null);
    },
    onDrop: drop,
  };

  const takeSelection = () => {
    const selection = window.getSelection();
    if (!actions || !selection || selection.rangeCount === 0) return;
    if (selection.isCollapsed) {
      setHeld(null);
      return;
    }
    const range = selection.getRangeAt(0);
    const page = [...pages.values()].find(({ textRoot }) => textRoot?.contains(range.startContainer));
    if (!page?.textRoot) return;
    const map = mapText(page.textRoot);
    const start = map.positionOf(range.startContainer, range.startOffset);
    // A selection that runs on to another page ends with this one.
    const end = page.textRoot.contains(range.endContainer)
      ? map.positionOf(range.endContainer, range.endOffset)
      : map.length;
    if (end > start) setHeld({ kind: "passage", passage: makePassage(map.text, page.number, start, end) });
  };

  const pinAt = (element: HTMLElement, x: number, y: number) => {
    const box = element.getBoundingClientRect();
    const share = (value: number) => Math.min(1, Math.max(0, value));
    const pin = { x: share((x - box.left) / box.width), y: share((y - box.top) / box.height) };
    setHeld({ kind: "pin", pin: { kind: "point", page: Number(element.dataset.page), ...pin } });
  };

  const startPin = () => {
    const view = scroller.current?.getBoundingClientRect();
    const page = [...pages.values()].find(
      ({ element }) => element.getBoundingClientRect().bottom > (view?.top ?? 0) + 80,
    );
    if (!view || !page) return;
    setPinning(true);
    const box = page.element.getBoundingClientRect();
    pinAt(page.element, box.left + box.width / 2, Math.max(box.top, view.top) + view.height / 3);
  };

  const zoomBy = (direction: 1 | -1) => {
    setZoom(
      (now) =>
        ZOOMS[Math.min(ZOOMS.length - 1, Math.max(0, ZOOMS.indexOf(now as (typeof ZOOMS)[number]) + direction))] ?? 1,
    );
  };

  useWorkKeys({
    held,
    setHeld,
    enabled: actions !== null,
    criteria,
    tools,
    zoomBy,
    openFind: () => {
      setFinding(true);
    },
    startPin,
  });

  const find = async (words: string): Promise<boolean> => {
    const passage = await findWords(words, pages, pdf.current);
    if (!passage) return false;
    setFinding(false);
    setHeld({ kind: "passage", passage });
    scroller.current?.querySelector(`[data-page="${String(passage.page)}"]`)?.scrollIntoView({ block: "start" });
    (document.activeElement as HTMLElement | null)?.blur();
    return true;
  };

  const heightOf = useCallback(
    (page: number, share: number) => {
      const element =
        pages.get(page)?.element ?? column.current?.querySelector<HTMLElement>(`[data-page="${String(page)}"]`);
      return element && element.offsetHeight > 0 ? element.offsetTop + share * element.offsetHeight : 0;
    },
    [pages],
  );

  const overlay = (page: number) => (
    <>
      <Marks
        page={page}
        notes={here}
        anchors={anchors}
        criteria={criteria}
        chosen={composing.composingId ?? chosen}
        held={held && heldPage(held) === page ? { kind: held.kind, boxes: heldBoxes } : null}
      />
      {held && actions && heldPage(held) === page && (
        <PassageTools held={held} boxes={heldBoxes} criteria={criteria} {...tools} />
      )}
    </>
  );

  const isPdf = file.mediaType === "application/pdf";
  return (
    <div className="relative h-full">
      <div className="absolute top-2 right-3 z-20 flex gap-0.5 rounded bg-table/90">
        {actions && (
          <>
            <ViewButton
              label="Take up a passage by its words (/)"
              onClick={() => {
                setFinding(true);
              }}
              Mark={Search}
            />
            <ViewButton label="Pin a note at a point (T)" onClick={startPin} Mark={MapPin} />
          </>
        )}
        <ViewButton
          label="Smaller (-)"
          onClick={() => {
            zoomBy(-1);
          }}
          Mark={ZoomOut}
        />
        <ViewButton
          label="Larger (+)"
          onClick={() => {
            zoomBy(1);
          }}
          Mark={ZoomIn}
        />
      </div>
      {finding && (
        <FindPassage
          onFind={find}
          onClose={() => {
            setFinding(false);
          }}
        />
      )}
      <div
        ref={scroller}
        role="region"
        aria-label={`The work: ${file.name}`}
        // A region that scrolls must be reachable by keyboard.
        // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
        tabIndex={0}
        className="h-full overflow-auto bg-table"
      >
        <div className="mx-auto flex w-max min-w-full justify-center gap-6 px-5 py-[18px]">
          <div
            ref={column}
            className={`relative ${pinning ? "cursor-crosshair" : ""}`}
            style={{ width, ["--work-zoom" as string]: zoom }}
            onPointerUp={(event) => {
              const element = (event.target as HTMLElement).closest<HTMLElement>("[data-page]");
              if (pinning && element) pinAt(element, event.clientX, event.clientY);
              else setTimeout(takeSelection, 0);
            }}
          >
            <Suspense fallback={<p className="mt-16 text-center text-soft">Opening {file.name}</p>}>
              {isPdf ? (
                <PdfPages
                  key={file.id}
                  blob={blob}
                  name={file.name}
                  width={width}
                  onPage={onPage}
                  onDocument={onDocument}
                  overlay={overlay}
                />
              ) : (
                <TextPages
                  key={file.id}
                  blob={blob}
                  name={file.name}
                  markdownText={file.mediaType === "text/markdown"}
                  width={width}
                  onPage={onPage}
                  overlay={overlay}
                />
              )}
            </Suspense>
          </div>
          {props.onMarginWidth && (
            <MarginEdge width={marginWidth} onWidth={setMarginWidth} onDone={props.onMarginWidth} />
          )}
          <div className="shrink-0" style={{ width: marginWidth }}>
            <Margin
              notes={here}
              anchors={anchors}
              criteria={criteria}
              chosen={composing.composingId ?? chosen}
              onChoose={(noteId) => {
                if (noteId !== composing.composingId) composing.end();
                onChoose(noteId === composing.composingId ? null : noteId);
              }}
              actions={composing.actions}
              heightOf={heightOf}
              version={version}
            />
          </div>
        </div>
      </div>
    </div>
  );
}

const heldPage = (held: Held): number => (held.kind === "pin" ? held.pin.page : held.passage.page);

function ViewButton({
  label,
  onClick,
  Mark,
}: {
  readonly label: string;
  readonly onClick: () => void;
  readonly Mark: typeof Search;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      className="grid size-8 place-items-center rounded text-soft hover:bg-sheet hover:text-ink"
      onClick={onClick}
    >
      <Mark size={16} aria-hidden="true" />
    </button>
  );
}
