import { useMemo, useRef, useState } from "react";
import type { Command } from "#core/changes";
import { readShorthand, type ShorthandIssue, type ShorthandItem } from "#core/formats";
import { fromLocalText, type CategoryId, type ScaleId } from "#core/kernel";
import { counted, dayText } from "#core/words";
import { AsYouLeftIt } from "../../ui/fields/as-you-left-it";
import { readTextDraft, useTyped } from "../../ui/fields/drafts";
import { shorthandWords } from "../../ui/words/words";
import { readSet } from "../../exports/read-set";
import { Choice } from "../../ui/fields/choice";
import { datesOrder, inMark, figuresMark } from "../../ui/words/figures";
import { FileButton } from "../../ui/files/file-button";
import { focusStays } from "../../ui/hooks/focus-stays";

interface ShorthandBoxProps {
  readonly timeZone: string;
  /** The local date, `2026-09-01`. */
  readonly today: string;
  readonly categories: readonly { readonly id: CategoryId; readonly name: string }[];
  readonly scales: readonly { readonly id: ScaleId; readonly name: string }[];
  readonly first: boolean;
  readonly onAdd: (command: Extract<Command, { type: "addAssignments" }>) => Promise<string | null>;
}

/** Where assignments are written down: one line each in shorthand, with what each line comes to below it. */
export function ShorthandBox({ timeZone, today, categories, scales, first, onAdd }: ShorthandBoxProps) {
  const typed = useTyped("shorthand", "", readTextDraft);
  const { value: text, set: setText } = typed;
  const [category, setCategory] = useState<string>("");
  const [trouble, setTrouble] = useState<string | null>(null);
  const field = useRef<HTMLTextAreaElement>(null);
  const read = useMemo(
    () => readShorthand(text, { today, scales, decimalMark: figuresMark(), dateOrder: datesOrder() }),
    [text, today, scales],
  );
  const chosen = categories.find(({ id }) => id === category) ?? categories[0];
  const fallback = chosen?.name ?? "Work";
  const can = read.items.length > 0 && read.issues.length === 0;

  const readLineItems = async (file: File) => {
    const { shorthand } = await readSet(file);
    setTrouble(shorthand === null ? noLineItems(file.name) : null);
    if (shorthand === null) return;
    setText(shorthand);
    field.current?.focus();
  };
  const add = async () => {
    if (!can) return;
    const words = await onAdd({
      type: "addAssignments",
      assignments: read.items.map((item) => assignmentFrom(item, timeZone, chosen?.id ?? { name: fallback })),
    });
    setTrouble(words);
    if (words === null) typed.clear();
    if (focusStays(field.current?.closest("section"))) field.current?.focus();
  };

  return (
    <section aria-label="Write assignments" className="mt-5">
      <div className="flex items-start gap-3">
        <textarea
          ref={field}
          aria-label="New assignments, one line each"
          aria-describedby="shorthand-help"
          className="field field-sizing-content min-h-10 flex-1 resize-none font-serif text-[16px] leading-relaxed"
          placeholder="Field sheet 1-6, 12 points, weekly from 14 Sep"
          spellCheck={false}
          autoFocus={first}
          value={text}
          onChange={(event) => {
            setText(event.target.value);
            setTrouble(null);
          }}
          onKeyDown={(event) => {
            if (event.key !== "Enter" || event.shiftKey) return;
            event.preventDefault();
            void add();
          }}
        />
        {categories.length > 0 && (
          <Choice
            label="Category where a line names none"
            className="!w-44"
            value={chosen?.id ?? ""}
            onChoose={setCategory}
            options={categories.map(({ id, name }) => [id, `in ${name}`] as const)}
          />
        )}
        <button type="button" className="act act-first" disabled={!can} onClick={() => void add()}>
          {read.items.length > 1 ? `Add ${String(read.items.length)} assignments` : "Add assignment"}
        </button>
      </div>
      {text.trim() === "" ? (
        <Help onFile={(file) => void readLineItems(file)} />
      ) : (
        <Preview items={read.items} issues={read.issues} fallback={fallback} timeZone={timeZone} />
      )}
      {typed.isLeft && <AsYouLeftIt onClear={typed.clear} />}
      {trouble && (
        <p role="alert" className="mt-2 text-[14px] text-wax">
          {trouble}
        </p>
      )}
    </section>
  );
}

type Added = Extract<Command, { type: "addAssignments" }>["assignments"][number];

/** The assignment that a line of shorthand comes to; where it names no category, it goes into `otherwise`. */
const assignmentFrom = (
  { category: named, categoryWeight, dueAt, givenAt, ...item }: ShorthandItem,
  timeZone: string,
  otherwise: Added["category"],
): Added => ({
  ...item,
  task: "",
  dueAt: dueAt === null ? null : fromLocalText(dueAt, timeZone),
  givenAt: givenAt === null ? null : fromLocalText(givenAt, timeZone),
  category: named === null ? otherwise : { name: named, weight: categoryWeight },
});

/** How a line is written, and the other way in. */
function Help({ onFile }: { readonly onFile: (file: File) => void }) {
  return (
    <div className="mt-1.5 flex flex-wrap items-baseline gap-x-4 text-[13px]">
      <p id="shorthand-help" className="text-soft">
        Name first, then points, dates, <em>in Papers 45 %</em>, <em>on paper</em>, <em>bonus</em>, <em>in groups</em>,
        in any order. Enter adds, Shift Enter starts another line.
      </p>
      <FileButton
        words="Line items of a roster-and-results set"
        kind="roster"
        look="link text-[13px]"
        onFiles={([file]) => {
          if (file) onFile(file);
        }}
      />
    </div>
  );
}

/** Lines of the preview shown; the rest is counted. */
const SHOWN = 12;

function Preview({
  items,
  issues,
  fallback,
  timeZone,
}: {
  readonly items: readonly ShorthandItem[];
  readonly issues: readonly ShorthandIssue[];
  readonly fallback: string;
  readonly timeZone: string;
}) {
  const due = (item: ShorthandItem) => {
    const at = item.dueAt && fromLocalText(item.dueAt, timeZone);
    return at ? `due ${dayText(at, timeZone)}` : "no due date";
  };
  return (
    <div id="shorthand-help" aria-live="polite" className="mt-2 border-s-2 border-rule ps-3 text-[13.5px]">
      {items.slice(0, SHOWN).map((item, index) => (
        <p key={`${item.name}-${String(index)}`} className="figures text-soft">
          <span className="text-ink">{item.name}</span> · {inMark(item.points)} points · {due(item)} ·{" "}
          {item.category ?? fallback}
          {item.categoryWeight && ` ${inMark(item.categoryWeight)} %`}
          {item.scoredIn.kind === "scale" && " · on a scale"}
          {item.aboveAllowed && " · above the maximum allowed"}
        </p>
      ))}
      {items.length > SHOWN && <p className="text-soft">and {counted(items.length - SHOWN, "more", "more")}</p>}
      {issues.map((issue) => (
        <p key={`${String(issue.line)}-${issue.text}`} className="text-ochre">
          {shorthandWords(issue)}
        </p>
      ))}
    </div>
  );
}

const noLineItems = (name: string): string =>
  `${name} holds no line items: a roster-and-results set has a file "lineItems.csv". Nothing was changed.`;
