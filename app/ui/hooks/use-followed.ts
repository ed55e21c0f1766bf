import { startTransition, useEffect, useState } from "react";

/**
 * What something that changes by itself is now. A change is drawn when the page has time for it, a little at a time: it never
 * stands in the way of a key. `read` answers the same object until something changed.
 */
export function useFollowed<T>(subscribe: (listener: () => void) => () => void, read: () => T): T {
  const [followed, setFollowed] = useState({ subscribe, value: read() });
  useEffect(() => {
    const follow = () => {
      startTransition(() => {
        setFollowed((before) => {
          const value = read();
          return before.subscribe === subscribe && before.value === value ? before : { subscribe, value };
        });
      });
    };
    // It may have changed between the first drawing and now.
    follow();
    return subscribe(follow);
    // The object that is followed is another one when its way to subscribe is.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [subscribe]);
  return followed.subscribe === subscribe ? followed.value : read();
}
