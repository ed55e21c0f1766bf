import { useEffect, type FormHTMLAttributes } from "react";
import { useFetcher } from "react-router";
import type { ChangeResult } from "#core/changes";
import type { AssignmentId } from "#core/kernel";
import { useNews } from "../../course/use-news";
import type { TakeInAnswer } from "./take-in-asked";
import { useLatest } from "../../ui/hooks/use-latest";

/** Taking in, as the page sees it: its form, whether it is under way, and what came of it. */
export interface TakingIn {
  readonly Form: React.ComponentType<FormHTMLAttributes<HTMLFormElement> & { readonly method: "post" }>;
  readonly isUnderWay: boolean;
  readonly trouble: string | null;
  /** What was taken in last since the page was opened was for this; null where nothing was. */
  readonly taken: AssignmentId | null;
}

/**
 * Sends what is taken in as the page's own form, and says at the foot of the screen what came of it; `onDone` is called when
 * it was taken in.
 */
export function useTakingIn(onDone?: () => void): TakingIn {
  const fetcher = useFetcher<TakeInAnswer>();
  const news = useNews();
  const tell = useLatest((done: ChangeResult) => {
    news(done);
    if (done.ok) onDone?.();
  });
  const answer = fetcher.data;
  useEffect(() => {
    if (answer?.done) tell(answer.done);
  }, [answer, tell]);
  return {
    Form: fetcher.Form as TakingIn["Form"],
    isUnderWay: fetcher.state !== "idle",
    trouble: answer?.trouble ?? null,
    taken: answer?.taken ?? null,
  };
}
