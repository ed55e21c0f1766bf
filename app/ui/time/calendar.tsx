import { DayPicker } from "react-day-picker";
import { today } from "./read-moment";

// The calendar package, wrapped once. It is loaded when a calendar is first opened.

interface CalendarProps {
  /** `2026-11-30`; empty where no day is chosen. */
  readonly day: string;
  readonly onDay: (day: string) => void;
}

const CLASSES = {
  root: "relative p-3 text-[14px] text-ink",
  month_caption: "mb-1 flex h-8 items-center ps-2 font-serif text-[16px] font-semibold",
  nav: "absolute end-3 top-3 flex gap-1",
  button_previous: "grid size-8 place-items-center rounded text-soft hover:bg-table hover:text-ink",
  button_next: "grid size-8 place-items-center rounded text-soft hover:bg-table hover:text-ink",
  chevron: "size-4 fill-current",
  weekday: "size-9 text-[13px] font-normal text-soft",
  day: "p-0 text-center",
  day_button: "figures size-9 rounded hover:bg-table",
  today: "font-bold underline underline-offset-4",
  selected: "rounded bg-ink text-paper [&_button:hover]:bg-ink",
  outside: "text-soft",
} as const;

const asDate = (day: string): Date => new Date(`${day}T12:00:00`);
const two = (count: number): string => String(count).padStart(2, "0");

/** A month to choose a day from, walked by arrow keys. */
export default function Calendar({ day, onDay }: CalendarProps) {
  const chosen = day === "" ? undefined : asDate(day);
  return (
    <DayPicker
      mode="single"
      autoFocus
      showOutsideDays
      weekStartsOn={1}
      today={asDate(today())}
      selected={chosen}
      defaultMonth={chosen ?? asDate(today())}
      classNames={CLASSES}
      onSelect={(_, picked) => {
        onDay(`${String(picked.getFullYear())}-${two(picked.getMonth() + 1)}-${two(picked.getDate())}`);
      }}
    />
  );
}
