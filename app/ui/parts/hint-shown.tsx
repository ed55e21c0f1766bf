// Hints are Radix's tooltip, wrapped here and nowhere else.
import { Tooltip } from "radix-ui";

/** What is said, and of what place on the screen. */
export interface Hint {
  readonly words: string;
  readonly box: DOMRect;
}

/** A hint beside the place it is about. */
export default function HintShown({ words, box: { left, top, width, height } }: Hint) {
  return (
    <Tooltip.Provider>
      <Tooltip.Root open>
        <Tooltip.Trigger asChild>
          <span aria-hidden="true" className="pointer-events-none fixed" style={{ left, top, width, height }} />
        </Tooltip.Trigger>
        <Tooltip.Portal>
          <Tooltip.Content
            sideOffset={6}
            collisionPadding={8}
            className="pointer-events-none z-50 max-w-72 rounded bg-tip px-2 py-1 text-[13px] leading-snug wrap-anywhere text-on-tip"
          >
            {words}
          </Tooltip.Content>
        </Tooltip.Portal>
      </Tooltip.Root>
    </Tooltip.Provider>
  );
}
