import { useEffect, useMemo, useState } from "react";
import { readPosts, type ReadPosts } from "#core/formats";
import type { Student } from "#core/model";
import { runTableJob } from "../../../../workers/client";

/** Letters up to which a list is read in place, within a few milliseconds; a longer one is read in a worker. */
const SHORT = 20_000;
const NONE: ReadPosts = { posts: [], issues: [] };

/** The posts in a text. A long one is read away from the page; until then nothing of it is shown. */
export function usePosts(
  text: string,
  students: readonly Student[],
  timeZone: string,
): ReadPosts & { readonly isReading: boolean } {
  const here = useMemo(
    () => (text.trim() === "" ? NONE : text.length <= SHORT ? readPosts(text, students, timeZone) : null),
    [text, students, timeZone],
  );
  const [there, setThere] = useState<{ readonly text: string; readonly read: ReadPosts } | null>(null);
  useEffect(() => {
    if (here) return;
    const stop = new AbortController();
    void runTableJob((jobs) => jobs.posts(text, students, timeZone), stop.signal).then(
      (read) => {
        setThere({ text, read });
      },
      () => null,
    );
    return () => {
      stop.abort();
    };
  }, [here, text, students, timeZone]);
  if (here) return { ...here, isReading: false };
  return there?.text === text ? { ...there.read, isReading: false } : { ...NONE, isReading: true };
}
