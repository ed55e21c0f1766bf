import { useMemo } from "react";
import type { ChangeResult } from "#core/changes";
import type { FileId } from "#core/kernel";
import { Ruler } from "../../../ui/parts/ruler";
import { PointsField } from "../../../ui/fields/points-field";
import { LazyWork } from "../../../ui/beside/lazy-work";
import { ZoneCrop } from "../../../ui/work/zones/zone-crop";
import type { SweepRows, SweepSheet } from "../../../ui/beside/sweep-rows";
import { inMark } from "../../../ui/words/figures";

interface SheetProps {
  /** The paper, for what is half-typed. */
  readonly paper: string;
  readonly sheet: SweepSheet;
  readonly rows: SweepRows;
  readonly current: boolean;
  readonly typing: boolean;
  readonly read: (fileId: FileId) => Promise<Blob | null>;
  readonly onChoose: () => void;
  readonly onPoints: (points: string) => Promise<ChangeResult> | null;
  readonly onTyped: (kept: boolean) => void;
  readonly onOpen: () => void;
}

/** Height of the work in the list, in pixels; on the paper in hand it has more room. */
const HEIGHT = { current: 520, other: 240 } as const;

/** One paper of the sweep: its ruler on the left, the work with the evidence for this criterion on the right. */
export function Sheet(props: SheetProps) {
  const { sheet, rows, current, read, onChoose, onPoints, onOpen } = props;
  const { criterion, colour } = rows;
  const target = useMemo(() => ({ id: criterion.id, name: criterion.name, colour }), [criterion, colour]);
  const targets = useMemo(() => [target], [target]);
  const level = criterion.levels.find(({ id }) => id === sheet.levelId);
  return (
    <li
      aria-current={current ? "true" : undefined}
      className={`flex gap-5 border-b border-rule px-[18px] py-3 ${current ? "bg-sheet shadow-[inset_3px_0_0_var(--ink)]" : ""}`}
    >
      <section aria-label={sheet.title} className="w-[330px] shrink-0">
        <div className="flex items-baseline gap-2">
          <h2 className="font-serif text-[17px] font-semibold">
            <button
              type="button"
              className="text-start hover:underline"
              onClick={onOpen}
              data-hint="Open it on the desk"
            >
              {sheet.title}
            </button>
          </h2>
          <Points {...props} />
        </div>
        <Ruler
          criterion={criterion}
          points={sheet.points}
          notApplicable={sheet.notApplicable}
          others={NO_OTHERS}
          onPoints={(points) => void onPoints(points)}
          onPointing={ignore}
          onKeyDown={ignore}
          onFocus={onChoose}
          sliderRef={ignore}
        />
        <p className="mt-1.5 text-[13.5px] leading-snug text-soft">
          {sheet.notApplicable ? "Does not apply to this paper." : level ? level.descriptor || level.name : "Open"}
        </p>
        {sheet.notes.length > 0 && (
          <ul aria-label={`Evidence, ${sheet.title}`} className="mt-2 space-y-1.5 text-[13.5px] leading-snug">
            {sheet.notes.map((note) => (
              <li key={note.id} className="border-s-[3px] ps-2" style={{ borderColor: colour }}>
                {note.target.kind === "passage" && <q className="font-serif text-soft">{note.target.exact}</q>}
                {note.body && <p>{note.body}</p>}
              </li>
            ))}
          </ul>
        )}
      </section>
      <div className="min-w-0 flex-1">
        {sheet.file && sheet.zones.length > 0 ? (
          <ZoneCrop file={sheet.file} zones={sheet.zones} notes={sheet.marks} criteria={targets} read={read} />
        ) : sheet.file ? (
          <LazyWork
            file={sheet.file}
            notes={sheet.notes}
            criterion={target}
            read={read}
            height={current ? HEIGHT.current : HEIGHT.other}
          />
        ) : (
          <p className="py-2 text-[14.5px] text-soft">On paper: there is nothing to open here.</p>
        )}
      </div>
    </li>
  );
}

const NO_OTHERS: readonly number[] = [];
const ignore = () => undefined;

/** The points of this paper, or the field in which they are typed. */
function Points({ paper, sheet, rows, typing, onPoints, onTyped }: SheetProps) {
  return (
    <span className="figures ms-auto text-[15px] whitespace-nowrap">
      {typing ? (
        <PointsField
          place={`points/${paper}/${rows.criterion.id}`}
          label={`Points for ${sheet.title}`}
          value={sheet.points ?? ""}
          onKeep={async (text) => {
            const outcome = await onPoints(text);
            if (!outcome) throw new Error("the paper is gone");
            return outcome;
          }}
          onDone={onTyped}
        />
      ) : (
        <>
          <strong>{sheet.notApplicable ? "n/a" : inMark(sheet.points ?? "–")}</strong>{" "}
          <span className="text-soft">/ {inMark(rows.maximum)}</span>
        </>
      )}
    </span>
  );
}
