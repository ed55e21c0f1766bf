import type { ReactNode } from "react";
import { fromDecimal, toNumber, type Decimal, type Id } from "#core/kernel";
import type { Criterion, Level } from "#core/model";
import { useMoving } from "../../../ui/order/moving";
import { addLevel, levelsFromWords, moveBound, removeLevel } from "#core/scoring";
import { formText } from "../../../ui/fields/form-text";
import { FigureInput } from "../../../ui/fields/figure-input";
import { MoreMenu, moveItems } from "../../../ui/dialogs/more-menu";
import { readFigure, readOptionalFigure } from "../../../ui/fields/read-figure";
import { LevelFields } from "./level-fields";
import { BoundsRuler } from "./bounds-ruler";
import { Tick } from "../../../ui/fields/tick";
import { inMark } from "../../../ui/words/figures";

interface CriterionEditorProps {
  readonly criterion: Criterion;
  readonly place: number;
  /** The only criterion of the rubric, which stays. */
  readonly last: boolean;
  readonly fresh: () => string;
  readonly onChange: (criterion: Criterion) => void;
  readonly onMove: (by: -1 | 1) => void;
  readonly onRemove: () => void;
  /** Null where the rubric has as many criteria as it can. */
  readonly onDuplicate: (() => void) | null;
}

/** One criterion: the ruler on which its levels are drawn and dragged, and below each level its figures and words. */
export function CriterionEditor(props: CriterionEditorProps) {
  const { criterion, fresh, onChange } = props;
  const { levels } = criterion;
  const { place: movable, style, isHeld, handle } = useMoving(criterion.id, criterion.name);
  const setLevel = (index: number, fields: Partial<Level>) => {
    onChange({ ...criterion, levels: levels.map((level, at) => (at === index ? { ...level, ...fields } : level)) });
  };
  return (
    <section
      ref={movable}
      style={style}
      aria-label={criterion.name}
      className={`break-inside-avoid border-t-2 border-ink py-3 ${isHeld ? "relative z-10 bg-green-wash" : ""}`}
    >
      <EditorHead {...props} handle={handle} />
      <BoundsRuler
        criterion={criterion}
        onBound={(index, points) => {
          onChange(moveBound(criterion, index, points));
        }}
      />
      <ol className="mt-2 grid gap-x-3 gap-y-3 sm:grid-cols-2 xl:grid-cols-3">
        {levels.map((level, index) => (
          <li key={level.id} className="min-w-0">
            <LevelFields
              criterion={criterion}
              level={level}
              place={index + 1}
              onEdit={(fields) => {
                setLevel(index, fields);
              }}
              onRemove={
                levels.length > 1
                  ? () => {
                      onChange(removeLevel(criterion, index));
                    }
                  : null
              }
            />
          </li>
        ))}
      </ol>
      <EditorFoot {...props} />
      <LevelWords
        criterion={criterion}
        onWords={(words) => {
          onChange(levelsFromWords(criterion, words, fresh));
        }}
      />
    </section>
  );
}

/** The handle, the name, the step and weight of a criterion, and what else can be done with it. */
function EditorHead(props: CriterionEditorProps & { readonly handle: ReactNode }) {
  const { criterion, place, last, handle, onChange, onMove, onRemove, onDuplicate } = props;
  return (
    <div className="flex items-end gap-3">
      <div className="-ms-2 -me-3 pb-0.5">{handle}</div>
      <label className="flex-1 text-[13px] text-soft">
        <span className="print:hidden">Criterion {place}</span>
        <input
          className="field font-serif text-[17px] font-semibold text-ink"
          maxLength={200}
          value={criterion.name}
          onChange={(event) => {
            onChange({ ...criterion, name: event.target.value });
          }}
        />
      </label>
      <FigureInput
        small
        label="Step"
        className="w-20 print:hidden"
        value={inMark(criterion.step)}
        read={readFigure}
        onRead={(step) => {
          onChange({ ...criterion, step });
        }}
      />
      <FigureInput
        small
        label="Weight"
        className="w-24"
        placeholder="none"
        read={readOptionalFigure}
        value={inMark(criterion.weight ?? "")}
        onRead={(weight) => {
          onChange({ ...criterion, weight });
        }}
      />
      <MoreMenu
        label={`More for ${criterion.name}`}
        items={[
          ...moveItems(onMove),
          ...(onDuplicate ? [{ words: "Duplicate the criterion", onSelect: onDuplicate }] : []),
          ...(last ? [] : [null, { words: "Remove the criterion", onSelect: onRemove }]),
        ]}
      />
    </div>
  );
}

/** One more level, whether a passage is asked for, and how many points there are. */
function EditorFoot({ criterion, fresh, onChange }: CriterionEditorProps) {
  const { levels } = criterion;
  const top = toNumber(fromDecimal(levels.at(-1)?.max ?? ("0" as Decimal)));
  return (
    <p className="figures mt-1 flex justify-between text-[13px] text-soft">
      {levels.length < 9 ? (
        <button
          type="button"
          className="link print:hidden"
          onClick={() => {
            onChange(addLevel(criterion, `level:${fresh()}` as Id<"level">, "New level"));
          }}
        >
          Add a level
        </button>
      ) : (
        <span />
      )}
      <Tick
        checked={criterion.asksEvidence}
        onChange={(ticked) => {
          onChange({ ...criterion, asksEvidence: ticked });
        }}
      >
        Asks for a passage of the work
      </Tick>
      <span>up to {String(top)} points</span>
    </p>
  );
}

/** Levels filled from a row of words: `Thin, Sound, Full`, or as pasted from a spreadsheet. */
function LevelWords({
  criterion,
  onWords,
}: {
  readonly criterion: Criterion;
  readonly onWords: (words: readonly string[]) => void;
}) {
  return (
    <form
      className="mt-2 flex items-center gap-2 text-[13px] text-soft print:hidden"
      onSubmit={(event) => {
        event.preventDefault();
        const words = formText(new FormData(event.currentTarget), "words").split(/[,;\t|]/);
        onWords(words);
        event.currentTarget.reset();
      }}
    >
      <label className="flex flex-1 items-center gap-2">
        Levels from a row of words
        <input
          name="words"
          className="field !w-auto flex-1 !py-1 text-[13.5px] text-ink"
          placeholder="Thin, Sound, Full"
          aria-label={`Levels of ${criterion.name} from a row of words`}
        />
      </label>
      <button type="submit" className="link">
        Fill
      </button>
    </form>
  );
}
