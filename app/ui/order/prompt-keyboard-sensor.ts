import { KeyboardSensor } from "@dnd-kit/core";

/** What of the sensor is its own affair; this is held against the very version that is installed by e2e/plan. */
interface Inside {
  readonly props: { readonly event: Event };
  readonly listeners: { readonly add: (name: string, hear: (event: Event) => void) => void };
  readonly windowListeners: { readonly add: (name: string, hear: (event: Event) => void) => void };
  readonly handleStart: () => void;
  readonly handleKeyDown: (event: Event) => void;
  readonly handleCancel: (event: Event) => void;
  attach: () => void;
}

/**
 * Moves things by keys, from the very key after the one that took them up. The library begins to listen only when the
 * page's timers get their turn, and on a busy page an arrow that is pressed before then is lost.
 */
export class PromptKeyboardSensor extends KeyboardSensor {}

(PromptKeyboardSensor.prototype as unknown as Inside).attach = function attach(this: Inside) {
  this.handleStart();
  this.windowListeners.add("resize", this.handleCancel);
  this.windowListeners.add("visibilitychange", this.handleCancel);
  const { event: begun } = this.props;
  this.listeners.add("keydown", (event) => {
    // The key that took it up is still on its way to those who listen.
    if (event !== begun) this.handleKeyDown(event);
  });
};
