import { useState, type ReactNode } from "react";
import { useKeys } from "../keys/use-keys";

/** A picture and, one key away, the table of the very figures it is drawn from. */
export function WithTable({
  label,
  picture,
  table,
}: {
  /** What the figures are, in words. */
  readonly label: string;
  readonly picture: ReactNode;
  readonly table: ReactNode;
}) {
  const [isTable, setIsTable] = useState(false);
  const turn = () => {
    setIsTable((before) => !before);
  };
  useKeys("check", { table: turn });
  return (
    <figure aria-label={label} className="relative">
      <button
        type="button"
        aria-pressed={isTable}
        className="absolute end-0 -top-7 z-10 text-[13.5px] text-green underline decoration-green/40 underline-offset-2"
        onClick={turn}
      >
        {isTable ? "As a picture" : "As a table"} <kbd className="ms-1 font-sans text-soft no-underline">T</kbd>
      </button>
      {isTable ? table : picture}
    </figure>
  );
}
