import { useEffect, useLayoutEffect, useRef, useState } from "react";
import type { ChangeResult } from "#core/changes";
import { useDraftPlace } from "./drafts";
import { hasArrived } from "./half-typed";
import { useLeftText } from "./use-left-text";
import { issueWords } from "../words/words";
import { useLatest } from "../hooks/use-latest";

/** Pause in typing after which a text is kept, in milliseconds. */
const PAUSE = 500;

interface KeptText {
  readonly text: string;
  /** Why what stands in the field could not be kept. */
  readonly trouble: string | null;
  /** It was found as it was left, and nothing was typed since. */
  readonly isLeft: boolean;
  readonly write: (text: string) => void;
  readonly keep: () => Promise<void>;
}

interface KeptTextOptions {
  /** Where it stands among the drafts; another place is another field. */
  readonly place: string;
  readonly value: string;
  /** While this is so, what was typed is not yet said. */
  readonly waits: boolean;
  /** Keeps a text; `seen` is what stood there when typing began. */
  readonly onKeep: (text: string, seen: string) => Promise<ChangeResult>;
}

/**
 * A text that keeps itself: after a pause, on leaving, and when the page goes. What is being typed is never replaced from
 * outside, and lies among the drafts until it is kept; when the stored text changed meanwhile, it says so.
 */
export function useKeptText({ place, value, waits, onKeep }: KeptTextOptions): KeptText {
  const at = useDraftPlace(place);
  const found = useLeftText(at, value);
  const [draft, setDraft] = useState<string | null>(found?.text ?? null);
  const [isLeft, setLeft] = useState(found !== null);
  const [trouble, setTrouble] = useState<string | null>(null);
  // What was kept stays in the field until the stored text arrives: dropped sooner, the old text would show for a moment,
  // and what is typed in that moment would replace the new one.
  const [kept, setKept] = useState<readonly string[]>([]);
  const [known, setKnown] = useState(value);
  if (value !== known) {
    setKnown(value);
    if (hasArrived(draft, kept, value)) {
      setDraft(null);
      setKept([]);
    }
  }
  const latest = useRef({ draft, seen: found?.seen ?? value, onKeep });
  const stored = useRef(value);
  // As it is drawn: later it would take back what was typed meanwhile.
  useLayoutEffect(() => {
    stored.current = value;
    latest.current = { ...latest.current, draft, onKeep };
    if (draft === null) latest.current.seen = value;
  });

  const write = (text: string) => {
    const { draft: before, seen } = latest.current;
    latest.current.draft = text;
    setDraft(text);
    setLeft(false);
    const from = before === null ? value : seen;
    if (text === from) at.drop();
    else at.put(text, from);
  };
  const keep = async () => {
    const { draft: text, seen, onKeep: send } = latest.current;
    if (text === null || text === seen) return;
    latest.current.seen = text;
    const outcome = await send(text, seen);
    if (outcome.ok || outcome.issue.code === "nothing_to_change") {
      setTrouble(null);
      setLeft(false);
      setKept((before) => [...before, text]);
      setDraft((now) => (now === text && stored.current === text ? null : now));
      const { draft: newer } = latest.current;
      if (newer === null || newer === text) at.drop();
      else at.put(newer, text);
    } else {
      latest.current.seen = outcome.issue.code === "seen_differs" ? outcome.issue.present : seen;
      setTrouble(issueWords(outcome.issue));
    }
  };
  const keepNow = useLatest(keep);
  useEffect(() => {
    if (draft === null || waits) return;
    const timer = setTimeout(() => void keepNow(), PAUSE);
    return () => {
      clearTimeout(timer);
    };
  }, [draft, waits, keepNow]);
  useEffect(() => {
    const now = () => void keepNow();
    window.addEventListener("pagehide", now);
    return () => {
      window.removeEventListener("pagehide", now);
      now();
    };
  }, [keepNow]);

  return { text: draft ?? value, trouble, isLeft, write, keep };
}
