import { memo, type ReactNode } from "react";
import { categoriesOf, sectionsOf, termsOf, type CourseState } from "#core/model";
import { inAddress } from "../../../ui/address";
import { FIGURE_MODES, type FigureMode } from "./grid/cells";
import { SHOW_ONLY, type ShowOnly } from "./rows";
import { Choice } from "../../../ui/fields/choice";

const SHOW_WORDS: Readonly<Record<ShowOnly, string>> = {
  all: "Everyone",
  waiting: "With work waiting",
  missing: "With work missing",
  excused: "With work excused",
  notIn: "With nothing in",
  late: "With late work",
  changed: "Changed since release",
  setByHand: "Set by hand",
  above: "Above the maximum",
};

const MODE_WORDS: Readonly<Record<FigureMode, string>> = {
  points: "Points",
  percent: "Percent",
  letter: "Letters",
  "points-percent": "Points, percent",
  "percent-points": "Percent, points",
  "percent-letter": "Percent, letter",
};

interface Named {
  readonly id: string;
  readonly name: string;
}

interface ChoicesProps extends Pick<CourseState, "sections" | "terms" | "categories"> {
  readonly chosen: {
    readonly section: string;
    readonly term: string;
    readonly category: string;
    readonly show: ShowOnly;
    readonly figures: FigureMode;
  };
  readonly onChoose: (name: "section" | "term" | "category" | "show" | "figures", value: string) => void;
}

interface ControlsProps extends ChoicesProps {
  readonly find: string;
  readonly onFind: (text: string) => void;
  readonly children: ReactNode;
}

/** What the gradebook shows: a name looked for, and quiet choices beside it. */
export function Controls({ find, onFind, children, ...choices }: ControlsProps) {
  return (
    <div role="search" className="flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
      <input
        className="field !w-[245px]"
        type="search"
        aria-label="Find a student or an assignment"
        placeholder="Find a student or an assignment"
        value={find}
        onChange={(event) => {
          onFind(event.target.value);
        }}
      />
      <Choices {...choices} />
      {children}
    </div>
  );
}

const named = (list: readonly Named[]): readonly Named[] => list.map(({ id, name }) => ({ id: inAddress(id), name }));

/** The choices stand still while scores are typed: they are drawn anew only when what they choose from changes. */
const Choices = memo(function Choices(props: ChoicesProps) {
  const { chosen, onChoose } = props;
  const parts = [
    { name: "section", label: "Section", all: "All sections", options: named(sectionsOf(props)), from: 1 },
    { name: "term", label: "Term", all: "All terms", options: named(termsOf(props)), from: 1 },
    { name: "category", label: "Category", all: "All categories", options: named(categoriesOf(props)), from: 2 },
  ] as const;
  return (
    <>
      {parts.map(
        ({ name, label, all, options, from }) =>
          options.length >= from && (
            <Quiet
              key={name}
              label={label}
              all={all}
              value={chosen[name]}
              options={options}
              onChoose={(value) => {
                onChoose(name, value);
              }}
            />
          ),
      )}
      <Quiet
        label="Students shown"
        value={chosen.show}
        options={SHOW_ONLY.map((id) => ({ id, name: SHOW_WORDS[id] }))}
        onChoose={(value) => {
          onChoose("show", value);
        }}
      />
      <Quiet
        label="Figures shown"
        value={chosen.figures}
        options={FIGURE_MODES.map((id) => ({ id, name: MODE_WORDS[id] }))}
        onChoose={(value) => {
          onChoose("figures", value);
        }}
      />
    </>
  );
});

function Quiet({
  label,
  all,
  value,
  options,
  onChoose,
}: {
  readonly label: string;
  readonly all?: string;
  readonly value: string;
  readonly options: readonly Named[];
  readonly onChoose: (value: string) => void;
}) {
  const first = options[0]?.id ?? "";
  const set = all === undefined ? value !== first : value !== "";
  return (
    <Choice
      quiet
      label={label}
      className={`max-w-44 ${set ? "font-semibold text-ink" : "text-soft"}`}
      value={value}
      onChoose={onChoose}
      options={[
        ...(all !== undefined ? [["", all] as const] : []),
        ...options.map(({ id, name }) => [id, name] as const),
      ]}
    />
  );
}
