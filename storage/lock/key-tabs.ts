import type { KeyTabs } from "./locksmith";

const CHANNEL = "upright-quill/keys";
/** Held by every tab that has the key of a slot, as long as it has it. */
const held = (slot: string): string => `${CHANNEL}/${slot}`;
/** A tab that has the key and says nothing for so long hangs, in milliseconds. */
const PATIENCE = 10_000;

type Word =
  | { readonly wants: string }
  | { readonly slot: string; readonly key: Uint8Array }
  | { readonly locks: string };

/**
 * Keys between the tabs of one browser: what was unlocked in one is unlocked in all. They pass through memory alone.
 * Whether any tab has a key is told by a lock of the browser's that such tabs share: who wants the key waits as long as
 * one of them may still answer, however busy it is, and not at all where none has it.
 */
export function browserKeyTabs(): KeyTabs {
  const channel = new BroadcastChannel(CHANNEL);
  const heard = new Map<string, (key: Uint8Array) => void>();
  let keyOf: (slot: string) => Uint8Array | null = () => null;
  let locked: (slot: string) => void = () => undefined;
  const releases = new Map<string, () => void>();
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
        const enough = new AbortController();
        const answer = (key: Uint8Array | null) => {
          clearTimeout(timer);
          heard.delete(slot);
          enough.abort();
          resolve(key);
        };
        const none = () => {
          answer(null);
        };
        const timer = setTimeout(none, PATIENCE);
        heard.set(slot, answer);
        channel.postMessage({ wants: slot } satisfies Word);
        // Granted once no tab has the key, which may be at once; given up when the key has come.
        navigator.locks.request(held(slot), { signal: enough.signal }, none).catch(() => undefined);
      }),
    tellOfKey: (slot, hasKey) => {
      releases.get(slot)?.();
      releases.delete(slot);
      if (!hasKey) return;
      void navigator.locks.request(
        held(slot),
        { mode: "shared" },
        () => new Promise<void>((release) => releases.set(slot, release)),
      );
    },
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
  tellOfKey: () => undefined,
  tellLocked: () => undefined,
  listen: () => undefined,
});
