import { useState } from "react";
import type { Command } from "#core/changes";
import { parseDecimal, type CategoryId } from "#core/kernel";
import type { Category } from "#core/model";
import { InlineField } from "../../ui/fields/inline-field";
import { MoreMenu, moveItems } from "../../ui/dialogs/more-menu";
import { issueWords } from "../../ui/words/words";
import type { PlanBlock } from "./rows";
import { Choice } from "../../ui/fields/choice";
import { Tick } from "../../ui/fields/tick";
import { inMark } from "../../ui/words/figures";

interface CategoryHeadProps {
  readonly block: PlanBlock;
  readonly straight: boolean;
  readonly others: readonly { readonly id: CategoryId; readonly name: string }[];
  readonly send: (command: Command) => Promise<string | null>;
  readonly onMove: (by: -1 | 1) => void;
  readonly onRemove: () => void;
}

const METHODS: readonly (readonly [Category["method"], string])[] = [
  ["pooled", "Points pooled"],
  ["mean", "Mean of percents"],
  ["median", "Median of percents"],
  ["best", "Best one counts"],
];

/** The head of a category: its name, how it combines, and its weight. */
export function CategoryHead({ block, straight, others, send, onMove, onRemove }: CategoryHeadProps) {
  const [open, setOpen] = useState(false);
  const edit = (fields: Extract<Command, { type: "editCategory" }>["fields"]) =>
    send({ type: "editCategory", categoryId: block.id, fields });
  return (
    <div className="flex flex-wrap items-center gap-3">
      <h2>
        <button
          type="button"
          aria-expanded={open}
          className="text-left text-[13px] font-semibold text-soft hover:text-ink"
          onClick={() => {
            setOpen(!open);
          }}
        >
          {block.name}
          <span className="ms-2 font-normal">{block.rule}</span>
        </button>
      </h2>
      <span className="flex-1" />
      {!straight && (
        <InlineField
          place={`weight/${block.id}`}
          label={block.inside ? `Points that ${block.name} is worth in ${block.inside}` : `Weight of ${block.name}, %`}
          labelHidden
          className={block.inside ? "w-32" : "w-24"}
          inputMode="decimal"
          placeholder={block.inside ? "its points" : "weight"}
          suffix={block.inside ? "points" : "%"}
          value={inMark(block.weight)}
          onKeep={async (text) => {
            const weight = text === "" ? null : parseDecimal(text);
            if (weight && !weight.ok) return issueWords(weight.issue);
            return edit({ weight: weight?.value ?? null });
          }}
        />
      )}
      <MoreMenu
        label={`More for ${block.name}`}
        items={[
          {
            words: open ? "Close its rules" : "Change its name and rules",
            onSelect: () => {
              setOpen(!open);
            },
          },
          ...moveItems(onMove),
          null,
          ...(block.depth > 0
            ? [
                {
                  words: "Move out, to the course",
                  onSelect: () =>
                    void send({ type: "placeCategory", categoryId: block.id, parentId: null, beforeId: null }),
                },
              ]
            : []),
          ...others.map(({ id, name }) => ({
            words: `Move into ${name}`,
            onSelect: () => void send({ type: "placeCategory", categoryId: block.id, parentId: id, beforeId: null }),
          })),
          null,
          { words: "Remove the category", onSelect: onRemove },
        ]}
      />
      {open && <CategoryRules block={block} edit={edit} />}
    </div>
  );
}

function CategoryRules({
  block,
  edit,
}: {
  readonly block: PlanBlock;
  readonly edit: (fields: Extract<Command, { type: "editCategory" }>["fields"]) => Promise<string | null>;
}) {
  const keep = block.keep;
  const [trouble, setTrouble] = useState<string | null>(null);
  const tell = (sending: Promise<string | null>) => void sending.then(setTrouble);
  return (
    <fieldset className="order-last flex w-full flex-wrap items-end gap-4 border-s-2 border-rule ps-3">
      <legend className="sr-only">Rules of {block.name}</legend>
      <InlineField label="Name" className="w-52" value={block.name} maxLength={200} onKeep={(name) => edit({ name })} />
      <label className="text-[13px] text-soft">
        How scores combine
        <Choice
          className="mt-0 block text-[15px]"
          value={block.method}
          onChoose={(picked) => {
            tell(edit({ method: picked }));
          }}
          options={METHODS}
        />
      </label>
      <label className="text-[13px] text-soft">
        Which ones count
        <Choice
          className="block text-[15px]"
          value={keep.kind}
          onChoose={(picked) => {
            const kind = picked;
            tell(edit({ keep: kind === "all" ? { kind } : { kind, count: keep.kind === "all" ? 1 : keep.count } }));
          }}
          options={[
            ["all", "All of them"],
            ["dropLowest", "Without the lowest"],
            ["keepBest", "Only the best"],
          ]}
        />
      </label>
      {keep.kind !== "all" && (
        <InlineField
          label="How many"
          className="w-20"
          inputMode="numeric"
          value={String(keep.count)}
          onKeep={(text) =>
            /^\d{1,3}$/.test(text) && Number(text) > 0
              ? edit({ keep: { kind: keep.kind, count: Number(text) } })
              : Promise.resolve("A whole number from 1.")
          }
        />
      )}
      <div className="flex h-9 items-center text-[14px]">
        <Tick
          checked={block.bonus}
          onChange={(ticked) => {
            tell(edit({ bonus: ticked }));
          }}
        >
          Bonus: its weight is pure gain
        </Tick>
      </div>
      {trouble && (
        <p role="alert" className="w-full text-[13px] text-wax">
          {trouble}
        </p>
      )}
    </fieldset>
  );
}
