import { useMemo, useSyncExternalStore } from "react";
import { useSearchParams } from "react-router";
import { counted } from "#core/words";
import { sharedBasis, type SharedFound, type SharedTextLooks } from "../../../exports/shared-text";
import { worksToCompare } from "../../../exports/compared-works";
import { FileButton } from "../../../ui/files/file-button";
import type { Looked } from "../rows";
import { PairList } from "./pair-list";
import { pairKey, sharedGroups } from "./pairs";
import { SideBySide } from "./side-by-side";

/** Files that are shown of those that could not be read. */
const NAMED = 6;

/** Which hand-ins share text: looked for when asked, listed in pairs, two of them side by side. */
export function SharedView({ looked, looks }: { readonly looked: Looked; readonly looks: SharedTextLooks }) {
  const { state, assignment } = looked;
  const works = useMemo(() => worksToCompare(state, assignment), [state, assignment]);
  const look = useSyncExternalStore(looks.subscribe, () => looks.lookAt(assignment.id));
  const [search, setSearch] = useSearchParams();
  // Reading a pair is a step of its own: Back leads to the list.
  const goTo = (key: string | null) => {
    setSearch(
      (before) => {
        if (key === null) before.delete("pair");
        else before.set("pair", key);
        return before;
      },
      { preventScrollReset: true },
    );
  };
  const found = look.kind === "found" ? look.found : null;
  const groups = useMemo(() => (found ? sharedGroups(state, assignment.id, found) : []), [state, assignment.id, found]);
  const pair = groups.flatMap(({ pairs }) => pairs).find(({ overlap }) => pairKey(overlap) === search.get("pair"));
  const ask = (other: File | null) => void looks.look(state, assignment, other);
  if (works.length < 2) {
    return <p className="mt-8 text-soft">Fewer than two hand-ins hold anything that can be read here.</p>;
  }
  if (found && pair) {
    return (
      <SideBySide
        key={pairKey(pair.overlap)}
        found={found}
        pair={pair}
        onBack={() => {
          goTo(null);
        }}
      />
    );
  }
  return (
    <section aria-label="Shared text">
      <p className="max-w-prose text-[14px] text-soft">
        Runs of some seven words and more that stand in two hand-ins. What the task gave, what is marked as quoted, and
        what more than half of the class holds is left out. You decide what it means; nothing of it reaches a student.
      </p>
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <button
          type="button"
          className={`act ${found ? "act-quiet" : "act-first"}`}
          disabled={look.kind === "reading"}
          onClick={() => {
            ask(null);
          }}
        >
          {found ? "Look again" : `Look at ${counted(works.length, "hand-in")}`}
        </button>
        <FileButton
          words="Against another course file too…"
          look="act act-quiet"
          disabled={look.kind === "reading"}
          onFiles={([file]) => {
            if (file) ask(file);
          }}
        />
        {found && found.basis !== sharedBasis(works) && (
          <span className="text-[14px] text-ochre">Other hand-ins have come since.</span>
        )}
      </div>
      <LookWords
        look={look}
        onStop={() => {
          looks.stop();
        }}
      />
      {found && <PairList assignment={assignment} shared={groups} onChoose={goTo} />}
    </section>
  );
}

/** What was read, and what could not be. */
function FoundWords({ found }: { readonly found: SharedFound }) {
  const unread = found.works.filter(({ text, unread: files }) => files > 0 && text.trim() === "");
  const names = unread.slice(0, NAMED).map(({ id }) => found.names.get(id) ?? "");
  return (
    <p className="figures text-soft">
      {counted(found.works.length, "hand-in")} read{found.against ? `, with those of ${found.against}` : ""}.
      {unread.length > 0 &&
        ` ${counted(unread.length, "of them holds", "of them hold")} no text that can be read: ${names.join(", ")}${unread.length > NAMED ? " and others" : ""}.`}
    </p>
  );
}

interface LookWordsProps {
  readonly look: ReturnType<SharedTextLooks["lookAt"]>;
  readonly onStop: () => void;
}

/** How far the reading is, with a way to stop it, and what was found. */
function LookWords({ look, onStop }: LookWordsProps) {
  return (
    <div role="status" className="mt-2 min-h-6 text-[14px]">
      {look.kind === "reading" && (
        <p className="figures flex items-center gap-3">
          <progress className="w-40" max={look.all} value={look.done} aria-label="Hand-ins read" />
          {look.done < look.all
            ? `${String(look.done)} of ${counted(look.all, "hand-in")} read`
            : "Holding them against each other"}
          <button type="button" className="link" onClick={onStop}>
            Stop
          </button>
        </p>
      )}
      {look.kind === "trouble" && <p className="text-wax">{look.words}</p>}
      {look.kind === "found" && <FoundWords found={look.found} />}
    </div>
  );
}
