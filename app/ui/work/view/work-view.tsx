import { useCallback, useRef, useState } from "react";
import type { WorkFile, Zone } from "#core/model";
import type { MenuItems } from "../../dialogs/more-menu";
import { useLatest } from "../../hooks/use-latest";
import { FindPassage } from "../text/find-passage";
import { findWords } from "../text/find-words";
import { Margin } from "../margin/margin";
import { MarginEdge } from "../margin/margin-edge";
import { PAGE_WIDTH } from "../measures";
import type { PdfDocument } from "../pages/pdf-document";
import type { EvidenceTarget, Held, HeldMark, NoteActions, Pen, ShownNote } from "../types";
import { useAnchors } from "../marks/use-anchors";
import { useComposing } from "../marks/use-composing";
import { useHolding } from "../marks/use-holding";
import { PageOverlay, type HeldTools } from "./page-overlay";
import { PagesColumn } from "./pages-column";
import { useLooking } from "./use-looking";
import { FIRST_PEN, useWorkKeys } from "./use-work-keys";
import { useZoneInView } from "./use-zone-in-view";
import { ViewTools } from "./view-tools";
import type { PostContext } from "../text/with-threads";

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
  /** A part of the work that is shown once it is another one. */
  readonly zone?: Zone | null;
  /** Shows the pages alone at this width in pixels, without tools and margin, as beside other papers. */
  readonly bareWidth?: number;
}

/** Width of the margin on the first visit, in pixels. */
const MARGIN_WIDTH = 242;
/** Remarks that say what they say by themselves. */
const WORDLESS: readonly HeldMark[] = ["strikeout", "tick", "query"];

/** The work as it is looked at and written on: what is held, what is being composed, and where notes lie. */
function useWork(props: WorkViewProps) {
  const { file, notes, criteria, actions, chosen } = props;
  const [pen, setPen] = useState<Pen | null>(null);
  const [pdf, setPdf] = useState<PdfDocument | null>(null);
  const scroller = useRef<HTMLDivElement>(null);
  const looking = useLooking(file);
  const { turn } = looking;
  const composing = useComposing(notes, actions);
  const here = composing.shown;
  const marked = composing.composingId ?? chosen;
  const holding = useHolding(turn);
  const { held } = holding;
  const anchored = useAnchors(here, held, turn);
  const { pages } = anchored;
  const tools = toolsFor({ held, actions, drop: holding.drop, begin: composing.begin });
  const startPin = useLatest(() => {
    setPen(null);
    holding.startPin(pages, scroller);
  });
  const showPage = useCallback((page: number) => {
    pageIn(scroller.current, page)?.scrollIntoView({ block: "start" });
  }, []);
  useWorkKeys({
    ...looking,
    held,
    setHeld: holding.setHeld,
    enabled: actions !== null,
    criteria,
    tools,
    startPin,
    pen,
    setPen,
  });
  const heightOf = useCallback(
    (page: number, share: number) => {
      const element = pages.get(page)?.element ?? pageIn(scroller.current, page);
      return element && element.offsetHeight > 0 ? element.offsetTop + share * element.offsetHeight : 0;
    },
    [pages],
  );
  useZoneInView(props.zone ?? null, scroller, heightOf);
  return {
    ...{ pen, setPen, pdf, setPdf, scroller, looking, turn, composing, here, marked, holding, anchored, tools },
    ...{ startPin, showPage, heightOf },
  };
}

/** The work on its page, with marks on it and notes level with them in the margin. */
export function WorkView(props: WorkViewProps) {
  const { file, criteria, actions } = props;
  const work = useWork(props);
  const { pen, scroller, looking, turn, composing, here, holding, anchored, tools } = work;
  const { held } = holding;
  const { pages, anchors, heldBoxes, onPage } = anchored;
  const bare = props.bareWidth !== undefined;
  return (
    <div className="relative h-full">
      {!bare && <Tools work={work} props={props} />}
      <Find work={work} />
      <div
        ref={scroller}
        role="region"
        aria-label={`The work: ${file.name}`}
        // A region that scrolls must be reachable by keyboard.
        // oxlint-disable-next-line jsx-a11y/no-noninteractive-tabindex
        tabIndex={0}
        className="h-full overflow-auto bg-table contain-strict"
      >
        <div
          className={`mx-auto flex w-max min-w-full justify-center gap-6 ${bare ? "" : pen ? "px-5 pt-12 pb-[18px]" : "px-5 py-[18px]"}`}
        >
          <PagesColumn
            {...props}
            scale={props.bareWidth === undefined ? looking.zoom : props.bareWidth / PAGE_WIDTH}
            turn={turn}
            pages={pages}
            holding={holding}
            onPage={onPage}
            onDocument={work.setPdf}
            onPenTouch={() => {
              if (!pen) work.setPen(FIRST_PEN);
            }}
            overlay={(page) => (
              <PageOverlay
                page={page}
                notes={here}
                anchors={anchors}
                criteria={criteria}
                chosen={work.marked}
                turn={turn}
                held={held}
                heldBoxes={heldBoxes}
                tools={tools}
                pen={pen}
                actions={actions}
                onMove={(note, target) => void composing.actions?.move(note.id, target)}
              />
            )}
          />
          <MarginBeside work={work} props={props} />
        </div>
      </div>
    </div>
  );
}

const pageIn = (scroller: HTMLElement | null, page: number): HTMLElement | null =>
  scroller?.querySelector<HTMLElement>(`[data-page="${String(page)}"]`) ?? null;

/** What can be done with what is held: a remark without words is put down, any other is begun. */
function toolsFor({
  held,
  actions,
  drop,
  begin,
}: {
  readonly held: Held | null;
  readonly actions: NoteActions | null;
  readonly drop: () => void;
  readonly begin: (draft: Parameters<NoteActions["add"]>[0]) => void;
}): HeldTools {
  const add = (mark: HeldMark, criterionId: ShownNote["criterionId"]) => {
    if (!held || !actions) return;
    const target = held.kind === "pin" ? held.pin : held.passage;
    drop();
    if (WORDLESS.includes(mark)) void actions.add({ mark, target, criterionId });
    else begin({ mark, target, criterionId });
  };
  return {
    onEvidence: (criterion) => {
      add(held?.kind === "pin" ? "pin" : "highlight", criterion.id);
    },
    onMark: (mark) => {
      add(mark, null);
    },
    onDrop: drop,
  };
}

type Work = ReturnType<typeof useWork>;

function Tools({ work, props }: { readonly work: Work; readonly props: WorkViewProps }) {
  const { looking, pdf, anchored } = work;
  const more = useLatest(() => props.more?.() ?? []);
  return (
    <ViewTools
      judged={props.actions !== null}
      pen={work.pen}
      onPen={work.setPen}
      onFind={looking.openFind}
      onPin={work.startPin}
      onTurn={looking.turns ? looking.turnPage : null}
      onZoom={looking.zoomBy}
      more={props.more ? more : null}
      pdf={pdf}
      textRoot={anchored.pages.get(1)?.textRoot ?? null}
      version={anchored.version}
      onPage={work.showPage}
    />
  );
}

/** The search for words of the work, while it is open. */
function Find({ work }: { readonly work: Work }) {
  const { looking, holding, scroller, pdf } = work;
  const { pages } = work.anchored;
  if (!looking.finding) return null;
  return (
    <FindPassage
      find={(words) => findWords(words, pages, pdf)}
      onShow={(passage) => {
        holding.take(passage, scroller);
      }}
      onTake={(passage) => {
        holding.take(passage, scroller);
        (document.activeElement as HTMLElement | null)?.blur();
        looking.closeFind();
      }}
      onClose={looking.closeFind}
    />
  );
}

/** The notes level with their marks, in a margin whose edge can be moved. */
function MarginBeside({ work, props }: { readonly work: Work; readonly props: WorkViewProps }) {
  const [marginWidth, setMarginWidth] = useState(props.marginWidth ?? MARGIN_WIDTH);
  const { composing, anchored } = work;
  const bare = props.bareWidth !== undefined;
  return (
    <>
      {props.onMarginWidth && <MarginEdge width={marginWidth} onWidth={setMarginWidth} onDone={props.onMarginWidth} />}
      <div className={bare ? "hidden" : "shrink-0"} style={{ width: marginWidth }}>
        <Margin
          notes={work.here}
          anchors={anchored.anchors}
          criteria={props.criteria}
          chosen={work.marked}
          onChoose={(noteId) => {
            if (noteId !== composing.composingId) composing.end();
            props.onChoose(noteId === composing.composingId ? null : noteId);
          }}
          actions={composing.actions}
          heightOf={work.heightOf}
          version={anchored.version}
        />
      </div>
    </>
  );
}
