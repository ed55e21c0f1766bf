import { DateField } from "../../../ui/time/date-field";

/** The days between which changes are shown. */
export function Days({
  from,
  to,
  set,
}: {
  readonly from: string;
  readonly to: string;
  readonly set: (name: string, value: string) => void;
}) {
  return (
    <span className="flex items-center gap-3">
      <DateField
        label="From"
        labelled="before"
        precision="day"
        value={from}
        onChange={(day) => {
          set("from", day);
        }}
      />
      <DateField
        label="to"
        labelled="before"
        precision="day"
        value={to}
        onChange={(day) => {
          set("to", day);
        }}
      />
    </span>
  );
}
