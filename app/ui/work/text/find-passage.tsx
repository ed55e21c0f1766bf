import { useEffect, useId, useRef, useState, type KeyboardEvent, type RefObject } from "react";
import type { Passage } from "#core/model";
import { useCurrent } from "../../hooks/use-latest";

interface FindPassageProps {
  /** Null while the work is not there yet. */
  readonly find: (words: string) => Promise<readonly Passage[] | null>;
  /** Brings a place into view. */
  readonly onShow: (passage: Passage) => void;
  /** Takes a place up and ends the search. */
  readonly onTake: (passage: Passage) => void;
  readonly onClose: () => void;
}

/** Pause in typing after which the work is searched, in milliseconds. */
const PAUSE = 120;

/** Looks for words, and again while the work is not there yet: typed ahead of it, they are found when it comes. */
async function whenThere(
  find: RefObject<FindPassageProps["find"]>,
  words: string,
  isWanted: () => boolean,
): Promise<readonly Passage[]> {
  while (isWanted()) {
    const found = await find.current(words);
    if (found) return found;
    await new Promise((resolve) => setTimeout(resolve, PAUSE));
  }
  return [];
}

/** The places where words stand, looked for a moment after they were typed, and which of them is in hand. */
function usePlaces({ find, onShow, onTake }: Pick<FindPassageProps, "find" | "onShow" | "onTake">) {
  const [words, setWords] = useState("");
  const [places, setPlaces] = useState<readonly Passage[] | null>(null);
  const [current, setCurrent] = useState(0);
  // Whether a place was gone to: the first arrow shows the first place, not the second.
  const shown = useRef(false);
  const latest = useCurrent(find);
  useEffect(() => {
    if (words.trim() === "") return;
    let valid = true;
    const timer = setTimeout(() => {
      void whenThere(latest, words, () => valid).then((found) => {
        if (valid) setPlaces(found);
      });
    }, PAUSE);
    return () => {
      valid = false;
      clearTimeout(timer);
    };
  }, [words, latest]);
  const isOpen = useRef(true);
  useEffect(() => {
    isOpen.current = true;
    return () => {
      isOpen.current = false;
    };
  }, []);
  const goTo = (place: number) => {
    if (!places || places.length === 0) return;
    const next = (place + places.length) % places.length;
    setCurrent(next);
    const passage = places[next];
    if (passage) onShow(passage);
  };
  const take = async () => {
    // What was typed last may not have been looked for yet.
    const found = places ?? (await whenThere(latest, words, () => isOpen.current));
    if (!isOpen.current) return;
    setPlaces(found);
    const passage = found[current] ?? found[0];
    if (passage) onTake(passage);
  };
  const step = (by: 1 | -1) => {
    goTo(current + (by === 1 && !shown.current ? 0 : by));
    shown.current = true;
  };
  const look = (next: string) => {
    setWords(next);
    setPlaces(null);
    setCurrent(0);
    shown.current = false;
  };
  return { words, look, places, current, step, take };
}

/** Finds words in the work: arrows go from place to place, Enter takes the place in hand, as if it had been selected. */
export function FindPassage({ find, onShow, onTake, onClose }: FindPassageProps) {
  const id = useId();
  const { words, look, places, current, step, take } = usePlaces({ find, onShow, onTake });
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === "Escape") onClose();
    else if (event.key === "ArrowDown") step(1);
    else if (event.key === "ArrowUp") step(-1);
    else if (event.key === "Enter") void take();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const missed = places?.length === 0;
  return (
    <div
      role="search"
      className="absolute top-3 left-1/2 z-30 w-96 -translate-x-1/2 rounded border border-rule bg-sheet p-2 shadow-lg"
    >
      <div className="flex items-baseline justify-between text-[13px] text-soft">
        <label htmlFor={id}>Words of the work: ↓ ↑ go to them, Enter takes them up</label>
        {places && !missed && (
          <span role="status" className="figures whitespace-nowrap">
            {current + 1} of {places.length}
          </span>
        )}
      </div>
      <input
        id={id}
        className="field mt-0.5"
        autoFocus
        value={words}
        onChange={(event) => {
          look(event.target.value);
        }}
        onKeyDown={onKeyDown}
      />
      {missed && (
        <p role="alert" className="mt-1 text-[13px] text-wax">
          These words do not stand in the work as one passage.
        </p>
      )}
    </div>
  );
}
