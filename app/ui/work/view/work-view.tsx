import { useCallback, useRef, useState } from "react";
import { workKindOf, type Stroke, type WorkFile } from "#core/model";
import type { MenuItems } from "../../dialogs/more-menu";
import { useLatest } from "../../hooks/use-latest";
import { FindPassage } from "../text/find-passage";
import { findWords } from "../text/find-words";
import { Margin } from "../margin/margin";
import { MarginEdge } from "../margin/margin-edge";
import { Marks } from "../marks/marks";
import { PAGE_WIDTH } from "../measures";
import { PassageTools } from "../marks/passage-tools";
import { PenSurface } from "../marks/pen-surface";
import type { PdfDocument } from "../pages/pdf-document";
import { turnOn, type Turn } from "../marks/turn";
import type { EvidenceTarget, Held, HeldMark, NoteActions, Pen, ShownNote } from "../types";
import { useAnchors } from "../marks/use-anchors";
import { useComposing } from "../marks/use-composing";
import { useHolding } from "../marks/use-holding";
import { FIRST_PEN, useWorkKeys } from "./use-work-keys";
import { ViewTools } from "./view-tools";
import type { PostContext } from "../text/with-threads";
import { WorkPages } from "../pages/work-pages";

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
  /** The threads that posts stand in. */
  readonly threads?: readonly PostContext[] | undefined;
  /** What else can be done with the paper. */
  readonly more?: () => MenuItems;
  /** Shows the pages alone at this width in pixels, without tools and margin, as beside other papers. */
  readonly bareWidth?: number;
}

/** Width of the margin on the first visit, in pixels. */
const MARGIN_WIDTH = 242;
const ZOOMS = [0.75, 1, 1.25, 1.5, 2] as const;
/** Remarks that say what they say by themselves. */
const WORDLESS: readonly HeldMark[] = ["strikeout", "tick", "query"];

/** The work on its page, with marks on it and notes level with them in the margin. */
export function WorkView(props: WorkViewProps) {
  const { file, blob, notes, criteria, actions, chosen, onChoose } = props;
  const [marginWidth, setMarginWidth] = useState(props.marginWidth ?? MARGIN_WIDTH);
  const [zoom, setZoom] = useState(1);
  const [turn, setTurn] = useState<Turn>(0);
  const [finding, setFinding] = useState(false);
  const [pen, setPen] = useState<Pen | null>(null);
  const scroller = useRef<HTMLDivElement>(null);
  const column = useRef<HTMLDivElement>(null);
  const pdf = useRef<PdfDocument | null>(null);
  const composing = useComposing(notes, actions);
  const here = composing.shown;
  const holding = useHolding(turn);
  const { held, drop } = holding;
  const { pages, anchors, heldBoxes, onPage, version } = useAnchors(here, held, turn);
  const bare = props.bareWidth !== undefined;
  const scale = props.bareWidth === undefined ? zoom : props.bareWidth / PAGE_WIDTH;
  const width = PAGE_WIDTH * scale;
  const kind = workKindOf(file);
  const turns = kind === "pdf" || kind === "image";

  const [opened, setOpened] = useState<PdfDocument | null>(null);
  const onDocument = useCallback((document: PdfDocument | null) => {
    pdf.current = document;
    setOpened(document);
  }, []);

  const add = (mark: HeldMark, criterionId: ShownNote["criterionId"]) => {
    if (!held || !actions) return;
    const target = held.kind === "pin" ? held.pin : held.passage;
    drop();
    if (WORDLESS.includes(mark)) void actions.add({ mark, target, criterionId });
    else composing.begin({ mark, target, criterionId });
  };

  const onErase = (note: ShownNote, left: readonly Stroke[]) => {
    if (!actions || note.target.kind !== "strokes") return;
    if (left.length === 0) actions.remove(note.id);
    else void actions.move(note.id, { ...note.target, strokes: [...left] });
  };

  const tools = {
    onEvidence: (criterion: EvidenceTarget) => {
      add(held?.kind === "pin" ? "pin" : "highlight", criterion.id);
    },
    onMark: (mark: HeldMark) => {
      add(mark, null);
    },
    onDrop: drop,
  };
  const startPin = useLatest(() => {
    setPen(null);
    holding.startPin(pages, scroller);
  });
  const turnPage = useLatest(() => {
    if (turns) setTurn(turnOn);
  });
  const more = useLatest(() => props.more?.() ?? []);
  const showPage = useCallback((page: number) => {
    scroller.current?.querySelector(`[data-page="${String(page)}"]`)?.scrollIntoView({ block: "start" });
  }, []);
  const zoomBy = useCallback((direction: 1 | -1) => {
    setZoom((now) => {
      const place = ZOOMS.indexOf(now as (typeof ZOOMS)[number]) + direction;
      return ZOOMS[Math.min(ZOOMS.length - 1, Math.max(0, place))] ?? 1;
    });
  }, []);
  const openFind = useCallback(() => {
    setFinding(true);
  }, []);
  useWorkKeys({
    held,
    setHeld: holding.setHeld,
    enabled: actions !== null,
    criteria,
    tools,
    zoomBy,
    openFind,
    startPin,
    turnPage,
    pen,
    setPen,
  });

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
        turn={turn}
        onMove={
          actions &&
          ((note, to) => {
            if (note.target.kind === "point") void composing.actions?.move(note.id, { ...note.target, ...to });
          })
        }
        held={held && heldPage(held) === page ? { kind: held.kind, boxes: heldBoxes } : null}
      />
      {held && actions && heldPage(held) === page && (
        <PassageTools held={held} boxes={heldBoxes} criteria={criteria} {...tools} />
      )}
      {pen && actions && (
        <PenSurface
          pen={pen}
          turn={turn}
          drawn={here.filter(({ mark, target }) => mark === "ink" && target.page === page)}
          onStroke={(stroke) => {
            actions.draw(page, pen.colour, stroke);
          }}
          onErase={onErase}
        />
      )}
    </>
  );

  return (
    <div className="relative h-full">
      {!bare && (
        <ViewTools
          judged={actions !== null}
          pen={pen}
          onPen={setPen}
          onFind={openFind}
          onPin={startPin}
          onTurn={turns ? turnPage : null}
          onZoom={zoomBy}
          more={props.more ? more : null}
          pdf={opened}
          textRoot={pages.get(1)?.textRoot ?? null}
          version={version}
          onPage={showPage}
        />
      )}
      {finding && (
        <FindPassage
          find={(words) => findWords(words, pages, pdf.current)}
          onShow={(passage) => {
            holding.take(passage, scroller);
          }}
          onTake={(passage) => {
            holding.take(passage, scroller);
            (document.activeElement as HTMLElement | null)?.blur();
            setFinding(false);
          }}
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
        className="h-full overflow-auto bg-table contain-strict"
      >
        <div
          className={`mx-auto flex w-max min-w-full justify-center gap-6 ${bare ? "" : pen ? "px-5 pt-12 pb-[18px]" : "px-5 py-[18px]"}`}
        >
          <div
            ref={column}
            className={`relative ${holding.pinning ? "cursor-crosshair" : ""}`}
            style={{ width, ["--work-zoom" as string]: scale }}
            onPointerDownCapture={(event) => {
              // A pen that touches the page is there to write.
              if (actions && event.pointerType === "pen" && !pen) setPen(FIRST_PEN);
            }}
            onPointerUp={(event) => {
              const element = (event.target as HTMLElement).closest<HTMLElement>("[data-page]");
              if (holding.pinning && element) holding.pinAt(element, event.clientX, event.clientY);
              else if (actions) {
                setTimeout(() => {
                  holding.takeSelection(pages);
                }, 0);
              }
            }}
          >
            <WorkPages
              key={file.id}
              file={file}
              blob={blob}
              width={width}
              turn={turn}
              threads={props.threads}
              onPage={onPage}
              onDocument={onDocument}
              overlay={overlay}
            />
          </div>
          {props.onMarginWidth && (
            <MarginEdge width={marginWidth} onWidth={setMarginWidth} onDone={props.onMarginWidth} />
          )}
          <div className={bare ? "hidden" : "shrink-0"} style={{ width: marginWidth }}>
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
