import { MoreMenu, moveItems } from "../../../ui/dialogs/more-menu";
import { Choice } from "../../../ui/fields/choice";
import { FigureInput } from "../../../ui/fields/figure-input";
import { readFigure } from "../../../ui/fields/read-figure";
import { KeyFields } from "./key-fields";
import { FRESH_KEYS, KIND_OPTIONS, type QuestionDraft } from "./rows";
import { inMark } from "../../../ui/words/figures";

interface QuestionFieldsProps {
  /** From 1. */
  readonly place: number;
  readonly draft: QuestionDraft;
  readonly onEdit: (fields: Partial<QuestionDraft>) => void;
  readonly onMove: (by: 1 | -1) => void;
  readonly onRemove: () => void;
}

/** One question: its words, how it is answered, its points and its key. */
export function QuestionFields({ place, draft, onEdit, onMove, onRemove }: QuestionFieldsProps) {
  return (
    <>
      <div className="flex items-end gap-2">
        <label className="min-w-0 flex-1 text-[13px] text-soft">
          Question {place}
          <textarea
            className="field field-sizing-content min-h-9 resize-none text-[15px] text-ink"
            rows={1}
            value={draft.prompt}
            onChange={(event) => {
              onEdit({ prompt: event.target.value });
            }}
          />
        </label>
        <label className="text-[13px] text-soft">
          Answered by
          <Choice
            className="block !w-48"
            value={draft.key.kind}
            onChoose={(picked) => {
              onEdit({ key: FRESH_KEYS[picked] });
            }}
            options={KIND_OPTIONS}
          />
        </label>
        <FigureInput
          label="Points"
          className="w-20"
          value={inMark(draft.points)}
          read={readFigure}
          onRead={(points) => {
            onEdit({ points });
          }}
        />
        <MoreMenu
          label={`More for question ${String(place)}`}
          items={[
            ...moveItems(onMove),
            null,
            {
              words: "Remove with its answers",
              onSelect: () => {
                onRemove();
              },
            },
          ]}
        />
      </div>
      <KeyFields
        place={place}
        answerKey={draft.key}
        onChange={(key) => {
          onEdit({ key });
        }}
      />
    </>
  );
}
