import type { ReactNode } from "react";
import { FIGURE_MODES, type FigureMode } from "./cells";
import { SHOW_ONLY, type ShowOnly } from "./rows";

const SHOW_WORDS: Readonly<Record<ShowOnly, string>> = {
  all: "Everyone",
  waiting: "With work waiting",
  missing: "With work missing",
  excused: "With work excused",
  notIn: "With nothing in",
  late: "With late work",
  changed: "Changed since release",
  byHand: "Set by hand",
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

interface ControlsProps {
  readonly find: string;
  readonly onFind: (text: string) => void;
  readonly sections: readonly Named[];
  readonly terms: readonly Named[];
  readonly categories: readonly Named[];
  readonly chosen: {
    readonly section: string;
    readonly term: string;
    readonly category: string;
    readonly show: ShowOnly;
    readonly figures: FigureMode;
  };
  readonly onChoose: (name: "section" | "term" | "category" | "show" | "figures", value: string) => void;
  readonly children: ReactNode;
}

/** What the gradebook shows: a name looked for, and quiet choices beside it. */
export function Controls({ find, onFind, sections, terms, categories, chosen, onChoose, children }: ControlsProps) {
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
      {sections.length > 0 && (
        <Choice
          label="Section"
          all="All sections"
          value={chosen.section}
          options={sections}
          onChoose={(value) => {
            onChoose("section", value);
          }}
        />
      )}
      {terms.length > 0 && (
        <Choice
          label="Term"
          all="All terms"
          value={chosen.term}
          options={terms}
          onChoose={(value) => {
            onChoose("term", value);
          }}
        />
      )}
      {categories.length > 1 && (
        <Choice
          label="Category"
          all="All categories"
          value={chosen.category}
          options={categories}
          onChoose={(value) => {
            onChoose("category", value);
          }}
        />
      )}
      <Choice
        label="Students shown"
        value={chosen.show}
        options={SHOW_ONLY.map((id) => ({ id, name: SHOW_WORDS[id] }))}
        onChoose={(value) => {
          onChoose("show", value);
        }}
      />
      <Choice
        label="Figures shown"
        value={chosen.figures}
        options={FIGURE_MODES.map((id) => ({ id, name: MODE_WORDS[id] }))}
        onChoose={(value) => {
          onChoose("figures", value);
        }}
      />
      {children}
    </div>
  );
}

function Choice({
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
    <select
      aria-label={label}
      className={`field-sizing-content max-w-44 bg-transparent ${set ? "font-semibold text-ink" : "text-soft"}`}
      value={value}
      onChange={(event) => {
        onChoose(event.target.value);
      }}
    >
      {all !== undefined && (
        <option value="" className="bg-sheet">
          {all}
        </option>
      )}
      {options.map(({ id, name }) => (
        <option key={id} value={id} className="bg-sheet">
          {name}
        </option>
      ))}
    </select>
  );
}
