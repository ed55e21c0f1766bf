import type { KeyTabs } from "./locksmith";

const CHANNEL = "upright-quill/keys";
/** How long a tab that has the key may take to answer, in milliseconds. */
const SOON = 250;

type Word =
  { readonly wants: string } | { readonly slot: string; readonly key: Uint8Array } | { readonly locks: string };

/** Keys between the tabs of one browser: what was unlocked in one is unlocked in all. They pass through memory alone. */
export function browserKeyTabs(): KeyTabs {
  const channel = new BroadcastChannel(CHANNEL);
  const heard = new Map<string, (key: Uint8Array) => void>();
  let keyOf: (slot: string) => Uint8Array | null = () => null;
  let locked: (slot: string) => void = () => undefined;
  channel.addEventListener("message", ({ data }: MessageEvent<Word>) => {
    if ("wants" in data) {
      const key = keyOf(data.wants);
      if (key) channel.postMessage({ slot: data.wants, key } satisfies Word);
    } else if ("locks" in data) locked(data.locks);
    else heard.get(data.slot)?.(data.key);
  });
  return {
    ask: (slot) =>
      new Promise((resolve) => {
        const answer = (key: Uint8Array | null) => {
          clearTimeout(timer);
          heard.delete(slot);
          resolve(key);
        };
        const timer = setTimeout(() => {
          answer(null);
        }, SOON);
        heard.set(slot, answer);
        channel.postMessage({ wants: slot } satisfies Word);
      }),
    tellLocked: (slot) => {
      channel.postMessage({ locks: slot } satisfies Word);
    },
    listen: (from, onLocked) => {
      keyOf = from;
      locked = onLocked;
    },
  };
}

/** A tab on its own. */
export const noKeyTabs = (): KeyTabs => ({
  ask: () => Promise.resolve(null),
  tellLocked: () => undefined,
  listen: () => undefined,
});
