import { useEffect } from "react";
import { prepareWork } from "../../../../ui/work/pages/prepare-work";
import type { WorkAhead } from "./load-work";

/** Gets the papers that the keys lead to next ready, one after the other, once the paper at hand leaves time for it. */
export function useWorkAhead(load: () => Promise<readonly WorkAhead[]>): void {
  useEffect(() => {
    let current = true;
    const prepare = async () => {
      for (const { file, blob } of await load()) if (current && blob) await prepareWork(file, blob);
    };
    const idle = requestIdleCallback(
      () => {
        // Nothing rests on it: what cannot be got ready now is read when it is shown, and said to be unreadable there.
        prepare().catch(() => null);
      },
      { timeout: 2_000 },
    );
    return () => {
      current = false;
      cancelIdleCallback(idle);
    };
  }, [load]);
}
