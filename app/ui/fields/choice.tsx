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

/**
 * The one choice out of a list. It is the browser's own: a list of 1,000 students opens at once and is gone through by typing,
 * a tablet shows its wheel, a form sends it, and it costs no script. Where the browser lets a page draw the list, it has our
 * look by day and by lamplight (`app.css`). Radix's Select (react-select 2.4.1) was read, not tried: it keeps every option
 * as elements of the page also while it is closed, and a second, hidden select beside them for a form.
 */
export function Choice<V extends string>(props: ChoiceProps<V>) {
  const { label, options, quiet = false, className = "", onChoose, ...own } = props;
  return (
    // eslint-disable-next-line no-restricted-syntax -- here it is wrapped
    <select
      {...own}
      aria-label={label}
      className={`${quiet ? "choice-quiet" : "field"} ${className}`}
      onChange={
        onChoose &&
        ((event) => {
          onChoose(event.target.value as V);
        })
      }
    >
      {options.map((one) =>
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

const drawn = ([value, words]: Option) => (
  <option key={value} value={value}>
    {words}
  </option>
);
