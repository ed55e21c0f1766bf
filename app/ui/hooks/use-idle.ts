import { useEffect } from "react";
import { useLatest } from "./use-latest";

const MINUTE = 60_000;
/** How often it is looked whether it has been idle for long enough, in milliseconds. */
const LOOK_EVERY = 5_000;
/** How often the other tabs are told of a hand, in milliseconds. */
const TELL_EVERY = 10_000;

const HANDS = ["pointerdown", "pointermove", "keydown", "wheel", "touchstart"] as const;

/**
 * Calls when no hand has been on anything for so many minutes, in none of the tabs that share `name`; 0: never. The clock
 * on the wall counts, so that a machine that slept for long enough is idle when it wakes.
 */
export function useIdle(name: string, minutes: number, onIdle: () => unknown): void {
  const act = useLatest(onIdle);
  useEffect(() => {
    if (minutes <= 0) return;
    const channel = new BroadcastChannel(`upright-quill/busy/${name}`);
    let last = Date.now();
    let told = 0;
    const onHand = () => {
      last = Date.now();
      if (last - told < TELL_EVERY) return;
      told = last;
      channel.postMessage(null);
    };
    channel.onmessage = () => {
      last = Date.now();
    };
    const timer = setInterval(() => {
      if (Date.now() - last < minutes * MINUTE) return;
      last = Date.now();
      act();
    }, LOOK_EVERY);
    for (const hand of HANDS) window.addEventListener(hand, onHand, { passive: true, capture: true });
    return () => {
      clearInterval(timer);
      channel.close();
      for (const hand of HANDS) window.removeEventListener(hand, onHand, { capture: true });
    };
  }, [name, minutes, act]);
}
