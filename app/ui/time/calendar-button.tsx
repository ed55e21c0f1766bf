import { CalendarDays } from "lucide-react";
import { Popover } from "radix-ui";
import { lazy, Suspense, useState } from "react";

const Calendar = lazy(() => import("./calendar"));

interface CalendarButtonProps {
  /** What the day is for, as its field is labelled. */
  readonly label: string;
  readonly day: string;
  readonly onDay: (day: string) => void;
}

/** Opens a calendar beside a field for dates. */
export function CalendarButton({ label, day, onDay }: CalendarButtonProps) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        type="button"
        aria-label={`Calendar: ${label}`}
        className="grid size-8 shrink-0 place-items-center rounded text-soft hover:bg-table hover:text-ink"
      >
        <CalendarDays size={16} aria-hidden="true" />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          aria-label={`Choose a day: ${label}`}
          className="z-50 rounded-[3px] border border-rule bg-sheet shadow-lg"
        >
          <Suspense fallback={<p className="p-4 text-[14px] text-soft">Opening the calendar</p>}>
            <Calendar
              day={day}
              onDay={(picked) => {
                setOpen(false);
                onDay(picked);
              }}
            />
          </Suspense>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
