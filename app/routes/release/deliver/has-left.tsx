import { counted, momentText } from "#core/words";
import type { deliverRows } from "./rows";

interface HasLeftProps {
  readonly deliveries: ReturnType<typeof deliverRows>["deliveries"];
  readonly timeZone: string;
}

/** Copies and letters that have left already. */
export function HasLeft({ deliveries, timeZone }: HasLeftProps) {
  return (
    <section aria-label="What has left" className="mt-6">
      <h2 className="font-semibold">What has left</h2>
      <ul className="figures mt-1 text-[14px] text-soft">
        {deliveries.map(({ id, at: when, how, locked, studentIds }) => (
          <li key={id} className="py-0.5">
            {momentText(when, timeZone)}: {how === "files" ? "copies made" : "letters sent"} for{" "}
            {counted(studentIds.length, "student")}
            {locked ? ", locked" : ""}
          </li>
        ))}
      </ul>
    </section>
  );
}
