import type { Release } from "#core/model";
import { dayText, momentText } from "#core/words";

/** The state of a facet: a whole seal, a clock with its moment, or the day it was broken. */
export function Seal({
  release,
  timeZone,
}: {
  readonly release: Pick<Release, "state" | "at">;
  readonly timeZone: string;
}) {
  if (release.state === "released") {
    return (
      <span className="figures font-semibold text-green">
        {release.at ? dayText(release.at, timeZone) : "Released"}
      </span>
    );
  }
  if (release.state === "timed") {
    return (
      <span className="inline-flex flex-col items-center gap-0.5">
        <svg viewBox="0 0 26 26" className="size-6 fill-none stroke-wax" strokeWidth="2" aria-hidden="true">
          <circle cx="13" cy="13" r="11" />
          <path d="M13 6v7h6" />
        </svg>
        <span className="figures text-[12.5px] leading-none text-wax">
          {release.at ? momentText(release.at, timeZone) : ""}
        </span>
      </span>
    );
  }
  return (
    <svg viewBox="0 0 26 26" className="size-[23px]" role="img" aria-label="sealed">
      <path
        className="fill-wax"
        d="M13 .6c1.700 0 2.300 1.200 3.900 1.500 1.700.4 3-.2 4.300 1 1.200 1.200.8 2.600 1.500 4.100.7 1.500 2.100 2.100 2.300 3.800.2 1.600-1 2.400-1.100 4-.2 1.700.7 2.900-.2 4.400-.9 1.400-2.400 1.300-3.600 2.400-1.300 1.100-1.500 2.600-3.100 3.100-1.600.5-2.500-.6-4.100-.5-1.600.1-2.700 1.100-4.200.5-1.500-.6-1.700-2.100-2.900-3.100-1.300-1.100-2.800-1.100-3.600-2.500-.8-1.500.1-2.700 0-4.300C2 13.400.9 12.500 1.200 10.900c.2-1.700 1.700-2.200 2.400-3.700.7-1.500.3-2.900 1.600-4.100 1.200-1.100 2.500-.6 4.100-1C10.800 1.800 11.400.6 13 .6z"
      />
      <circle cx="13" cy="13" r="7.5" className="fill-black/15 stroke-paper" strokeOpacity=".5" strokeWidth="1.2" />
    </svg>
  );
}
