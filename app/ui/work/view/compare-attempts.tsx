import { ChevronDown, ChevronUp, X } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { differencesOf, type Passage, type WorkFile } from "#core/model";
import { counted } from "#core/words";
import { joinPages, pageTexts } from "../text/page-texts";
import type { ShownNote } from "../types";
import { Unreadable } from "../pages/unreadable";
import { WorkView } from "./work-view";

/** An attempt's file with its bytes. */
export interface AttemptFile {
  readonly file: WorkFile;
  readonly blob: Blob | null;
  readonly title: string;
}

interface CompareAttemptsProps {
  readonly before: AttemptFile;
  readonly after: AttemptFile;
  readonly onClose: () => void;
}

interface Compared {
  readonly removed: readonly ShownNote[];
  readonly added: readonly ShownNote[];
  readonly words: string;
}

/** What two attempts differ in, and how wide each is drawn. */
function useCompared(before: AttemptFile, after: AttemptFile) {
  const [compared, setCompared] = useState<Compared | "no text" | null>(null);
  const frame = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    let valid = true;
    void compare(before, after).then((found) => {
      if (valid) setCompared(found);
    });
    return () => {
      valid = false;
    };
  }, [before, after]);
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const measure = new ResizeObserver(() => {
      setWidth(Math.max(240, element.clientWidth / 2 - 60));
    });
    measure.observe(element);
    return () => {
      measure.disconnect();
    };
  }, []);
  return { compared, frame, width };
}

/** Two attempts beside each other: what was taken out is struck in the one, what was put in is washed in the other. */
export function CompareAttempts({ before, after, onClose }: CompareAttemptsProps) {
  const { compared, frame, width } = useCompared(before, after);
  const [current, setCurrent] = useState(-1);
  const notes = compared && compared !== "no text" ? compared : { removed: [], added: [], words: "" };
  const changes = [...notes.removed, ...notes.added].sort(inReadingOrder);
  const goTo = (by: 1 | -1) => {
    const place = (current + by + changes.length) % changes.length;
    setCurrent(place);
    const change = changes[place];
    if (!change) return;
    const found = frame.current?.querySelector(`[data-note="${change.id}"]`);
    const page = `[data-side="${change.mark}"] [data-page="${String(change.target.page)}"]`;
    (found ?? frame.current?.querySelector(page))?.scrollIntoView({ block: "center" });
  };
  return (
    <section aria-label="Attempts side by side" className="flex h-full flex-col">
      <div className="flex items-center gap-2 border-b border-rule bg-paper px-5 py-1 text-[14px]">
        <p role="status">
          {compared === null
            ? "Comparing the attempts"
            : compared === "no text"
              ? "These attempts hold no text that could be compared; look at them side by side."
              : compared.words}
        </p>
        {changes.length > 0 && (
          <>
            <span className="figures ms-auto text-soft">
              {current < 0 ? counted(changes.length, "place") : `${String(current + 1)} of ${String(changes.length)}`}
            </span>
            <StepButton
              label="Change before"
              onClick={() => {
                goTo(-1);
              }}
              Mark={ChevronUp}
            />
            <StepButton
              label="Next change"
              onClick={() => {
                goTo(1);
              }}
              Mark={ChevronDown}
            />
          </>
        )}
        <span className={changes.length > 0 ? "" : "ms-auto"}>
          <StepButton label="Close the comparison" onClick={onClose} Mark={X} />
        </span>
      </div>
      <div ref={frame} className="flex min-h-0 flex-1">
        <Side
          attempt={before}
          side="strikeout"
          notes={notes.removed}
          width={width}
          chosen={changes[current]?.id ?? null}
        />
        <Side
          attempt={after}
          side="highlight"
          notes={notes.added}
          width={width}
          chosen={changes[current]?.id ?? null}
        />
      </div>
    </section>
  );
}

function StepButton({
  label,
  onClick,
  Mark,
}: {
  readonly label: string;
  readonly onClick: () => void;
  readonly Mark: typeof X;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      data-hint={label}
      className="grid size-8 place-items-center rounded text-soft hover:bg-table hover:text-ink"
      onClick={onClick}
    >
      <Mark size={16} aria-hidden="true" />
    </button>
  );
}

interface SideProps {
  readonly attempt: AttemptFile;
  readonly side: "strikeout" | "highlight";
  readonly notes: readonly ShownNote[];
  readonly width: number;
  readonly chosen: string | null;
}

function Side({ attempt, side, notes, width, chosen }: SideProps) {
  return (
    <div data-side={side} className="flex min-w-0 flex-1 flex-col border-e border-rule last:border-e-0">
      <h2 className="px-5 py-1.5 text-[14px] font-semibold">{attempt.title}</h2>
      <div className="min-h-0 flex-1">
        {attempt.blob && width > 0 ? (
          <WorkView
            file={attempt.file}
            blob={attempt.blob}
            notes={notes}
            criteria={[]}
            actions={null}
            chosen={chosen}
            onChoose={() => undefined}
            bareWidth={width}
          />
        ) : (
          !attempt.blob && (
            <Unreadable
              name={attempt.file.name}
              blob={new Blob()}
              what="This browser no longer holds the file's bytes."
              mend="Read in your last course file under Files."
            />
          )
        )}
      </div>
    </div>
  );
}

const inReadingOrder = (a: ShownNote, b: ShownNote): number => a.target.page - b.target.page || startOf(a) - startOf(b);

const startOf = ({ target }: ShownNote): number => (target.kind === "passage" ? target.start : 0);

async function compare(before: AttemptFile, after: AttemptFile): Promise<Compared | "no text"> {
  const [first, second] = await Promise.all(
    [before, after].map(({ file, blob }) => (blob ? pageTexts(file, blob) : Promise.resolve(null))),
  );
  if (!first || !second) return "no text";
  const [old, new_] = [joinPages(first), joinPages(second)];
  const found = differencesOf(old.text, new_.text);
  const shown = (mark: "strikeout" | "highlight", colour: ShownNote["colour"]) => (target: Passage, index: number) => ({
    id: `note:${mark}${String(index)}` as ShownNote["id"],
    mark,
    target,
    criterionId: null,
    colour,
    body: "",
  });
  const same = found.wordsRemoved === 0 && found.wordsAdded === 0;
  return {
    removed: found.removed.flatMap(old.toPassages).map(shown("strikeout", "wax")),
    added: found.added.flatMap(new_.toPassages).map(shown("highlight", "green")),
    words: same
      ? "Word for word the same."
      : `${counted(found.wordsRemoved, "word")} taken out, ${counted(found.wordsAdded, "word")} put in.`,
  };
}
