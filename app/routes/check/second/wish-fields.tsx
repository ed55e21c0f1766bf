import { FigureInput } from "../../../ui/fields/figure-input";
import { readFigure } from "../../../ui/fields/read-figure";
import { Tick } from "../../../ui/fields/tick";
import { readWhole, type Wish } from "./wish";

/** Who marks a second time, how far apart is too far, and what they see. */
export function MarkerFields({ wish, edit }: WishFieldsProps) {
  return (
    <div className="flex flex-wrap items-end gap-4">
      <label className="block text-[13px] text-soft">
        Second marker
        <input
          className="field block w-56 text-[15px] text-ink"
          value={wish.markerName}
          maxLength={200}
          required
          onChange={(event) => {
            edit({ markerName: event.target.value });
          }}
        />
      </label>
      <FigureInput
        className="w-52"
        label="Points two judgements may differ"
        value={wish.within}
        read={readFigure}
        onRead={(within) => {
          edit({ within });
        }}
      />
      <Tick
        checked={wish.blind}
        onChange={(blind) => {
          edit({ blind });
        }}
      >
        blind: without names and first judgements
      </Tick>
    </div>
  );
}

export function WayFields({ wish, edit }: WishFieldsProps) {
  const whole = (label: string, value: number, name: "every" | "count" | "seed" | "each") => (
    <FigureInput
      key={name}
      className="w-28"
      label={label}
      value={String(value)}
      read={readWhole}
      onRead={(read) => {
        edit({ [name]: read });
      }}
    />
  );
  switch (wish.kind) {
    case "everyNth":
      return whole("One of", wish.every, "every");
    case "random":
      return (
        <>
          {whole("How many", wish.count, "count")}
          {whole("Seed", wish.seed, "seed")}
        </>
      );
    case "byLetter":
      return whole("Of each", wish.each, "each");
    case "nearBound":
      return (
        <FigureInput
          className="w-28"
          label="Within, points"
          value={wish.near}
          read={readFigure}
          onRead={(near) => {
            edit({ near });
          }}
        />
      );
    default:
      return null;
  }
}

interface WishFieldsProps {
  readonly wish: Wish;
  readonly edit: (fields: Partial<Wish>) => void;
}
