import { toast, Toaster } from "sonner";
import type { CSSProperties } from "react";
import "sonner/dist/styles.css";
import type { News } from "./tell";

// The only file that knows sonner. Its own style element is taken out when the application is built (vite.config.ts): our
// policy allows no inline styles, and its sheet is shipped with ours.

/** How long news stands, in milliseconds; longer where something can be done about it. */
const STANDS = 5_000;
const STANDS_WITH_ACT = 10_000;

/** Where news stands: at the foot of every screen of a course; all but its button lets the pointer through. */
export default function NewsPlace() {
  return (
    <Toaster
      position="bottom-center"
      offset={104}
      visibleToasts={1}
      containerAriaLabel="News"
      hotkey={[]}
      style={{ "--width": "520px" } as CSSProperties}
      toastOptions={{
        unstyled: true,
        classNames: {
          toast:
            "pointer-events-none flex w-full font-sans items-center justify-center gap-4 rounded border border-rule bg-sheet px-4 py-2 text-[14px] text-ink shadow-lg",
          actionButton: "pointer-events-auto link font-semibold",
        },
      }}
    />
  );
}

let shown: ReturnType<typeof toast> | undefined;

/**
 * Shows news, in place of what was said before. Each piece is one of its own: what is said in the moment in which the last
 * one goes away, as by its own button, would otherwise go with it.
 */
export function show({ words, act }: News): void {
  if (shown !== undefined) toast.dismiss(shown);
  shown = toast(words, {
    duration: act ? STANDS_WITH_ACT : STANDS,
    ...(act && { action: { label: act.words, onClick: act.run } }),
  });
}
