import { useState } from "react";
import { flushSync } from "react-dom";

/** One of the things a choice offers: what stands for it, and its words. */
export type Option<V extends string = string> = readonly [value: V, words: string];

/** Options under a heading of their own. */
export interface OptionGroup<V extends string = string> {
  readonly heading: string;
  readonly options: readonly Option<V>[];
}

interface ChoiceProps<V extends string> {
  /** What is chosen, in words; left out where a label stands around it. */
  readonly label?: string;
  readonly id?: string;
  /** Its name in a form that is sent. */
  readonly name?: string;
  readonly value?: V;
  readonly defaultValue?: V | undefined;
  readonly options: readonly (Option<V> | OptionGroup<V>)[];
  /** A word among others rather than a field. */
  readonly quiet?: boolean;
  readonly className?: string;
  readonly onChoose?: (value: V) => void;
}

/** Longer lists are drawn when the hand or the keyboard comes to them; until then what is chosen stands there alone. */
const LONG = 100;

/**
 * The one choice out of a list. It is the browser's own: a list of 1,000 students opens at once and is gone through by typing,
 * a tablet shows its wheel, a form sends it, and it costs no script. Where the browser lets a page draw the list, it has our
 * look by day and by lamplight (`app.css`). Radix's Select (react-select 2.4.1) was read, not tried: it keeps every option
 * as elements of the page also while it is closed, and a second, hidden select beside them for a form.
 */
export function Choice<V extends string>(props: ChoiceProps<V>) {
  const { label, options, quiet = false, className = "", onChoose, ...own } = props;
  const [isReached, setReached] = useState(false);
  const isWhole =
    isReached || options.reduce((all, one) => all + ("heading" in one ? one.options.length : 1), 0) <= LONG;
  const reach = () => {
    // Before the browser opens the list: it opens with what is in it.
    flushSync(() => {
      setReached(true);
    });
  };
  return (
    // oxlint-disable-next-line house/one-choice -- here it is wrapped
    <select
      {...own}
      aria-label={label}
      className={`${quiet ? "choice-quiet" : "field"} ${className}`}
      onFocus={isWhole ? undefined : reach}
      onPointerDown={isWhole ? undefined : reach}
      onChange={
        onChoose &&
        ((event) => {
          onChoose(event.target.value as V);
        })
      }
    >
      {(isWhole ? options : chosenAlone(options, own.value ?? own.defaultValue)).map((one) =>
        "heading" in one ? (
          <optgroup key={one.heading} label={one.heading}>
            {one.options.map(drawn)}
          </optgroup>
        ) : (
          drawn(one)
        ),
      )}
    </select>
  );
}

/** What is chosen, under its heading; the first of the list where nothing is, as the browser has it. */
function chosenAlone<V extends string>(
  options: readonly (Option<V> | OptionGroup<V>)[],
  chosen: V | undefined,
): readonly (Option<V> | OptionGroup<V>)[] {
  for (const one of options) {
    const within = ("heading" in one ? one.options : [one]).find(([value]) => value === chosen);
    if (within) return ["heading" in one ? { ...one, options: [within] } : within];
  }
  return options.slice(0, 1);
}

const drawn = ([value, words]: Option) => (
  <option key={value} value={value}>
    {words}
  </option>
);
