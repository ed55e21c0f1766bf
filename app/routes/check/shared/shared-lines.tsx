import { useMemo, useSyncExternalStore } from "react";
import { Link } from "react-router";
import type { Assignment, CourseState } from "#core/model";
import { counted } from "#core/words";
import type { SharedTextLooks } from "../../../exports/shared-text";
import { inAddress } from "../../../ui/address";
import { pairKey, sharedGroups } from "./pairs";

/** Pairs that are named beside what looks odd. */
const NAMED = 4;

/** Pairs of hand-ins that share text and are not cleared, beside what looks odd; nothing while nobody has looked. */
export function SharedLines({
  slot,
  state,
  assignment,
  looks,
}: {
  readonly slot: string;
  readonly state: CourseState;
  readonly assignment: Assignment;
  readonly looks: SharedTextLooks;
}) {
  const look = useSyncExternalStore(looks.subscribe, () => looks.lookAt(assignment.id));
  const found = look.kind === "found" ? look.found : null;
  const open = useMemo(
    () =>
      found
        ? sharedGroups(state, assignment.id, found)
            .filter(({ isShort }) => !isShort)
            .flatMap(({ pairs }) => pairs)
            .filter(({ cleared }) => cleared === null)
        : [],
    [state, assignment.id, found],
  );
  if (open.length === 0) return null;
  const home = `/courses/${slot}/check?assignment=${inAddress(assignment.id)}&view=shared`;
  return (
    <section aria-label="Shared text, in short" className="mt-6">
      <h2 className="text-[15px] font-semibold">Shared text: {counted(open.length, "pair")}</h2>
      <ul>
        {open.slice(0, NAMED).map(({ overlap, names, words, subject }) => (
          <li
            key={subject}
            className="figures grid grid-cols-[18px_minmax(0,1fr)_auto] gap-x-1 border-b border-rule py-2 text-[14px]"
          >
            <span aria-hidden="true" className="font-bold text-wax">
              !
            </span>
            <span>
              <strong>{names.join(", ")}</strong>: {counted(words, "word")} in common
            </span>
            <Link className="link ps-2 text-[13.5px]" to={`${home}&pair=${encodeURIComponent(pairKey(overlap))}`}>
              Side by side<span className="sr-only"> {names.join(" and ")}</span>
            </Link>
          </li>
        ))}
      </ul>
      {open.length > NAMED && (
        <Link className="link text-[13.5px]" to={home}>
          All of them
        </Link>
      )}
    </section>
  );
}
