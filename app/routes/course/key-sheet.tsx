import { Keyboard, X } from "lucide-react";
import { Dialog } from "radix-ui";
import { useEffect, useState } from "react";
import { isTyping } from "../../ui/keys";

const SHEET: readonly { readonly title: string; readonly keys: readonly (readonly [string, string])[] }[] = [
  {
    title: "Everywhere",
    keys: [
      ["?", "this sheet"],
      ["Ctrl K", "find a student, an assignment, an action"],
      ["Ctrl Z, Ctrl Y", "undo, redo"],
    ],
  },
  {
    title: "Desk: judging",
    keys: [
      ["1 to 9", "level of the marked criterion, and on to the next"],
      ["Shift 1 to 9", "level, and stay"],
      ["← →", "one step down, one step up"],
      ["↑ ↓", "criterion before, criterion after"],
      ["Enter", "type points"],
      ["A", "does not apply"],
      ["Backspace", "open again"],
      ["Alt → Alt ←", "next paper, paper before"],
      ["W", "next paper that waits"],
      ["M, X, L", "missing, excused, late by"],
      ["C, V", "overall comment, private note"],
      ["Ctrl B, Ctrl I", "strong, emphasised words in the overall comment"],
      ["U", "the whole rubric with its words"],
      ["O", "outcomes: a digit gives the level and goes on to the next"],
      ["K", "comment on the marked criterion"],
      ["/ in a comment", "phrases: arrows, Enter puts one in, Delete removes it"],
      ["B", "two papers at this level beside the one in hand"],
      ["P", "hide or show the pile"],
    ],
  },
  {
    title: "Desk: writing on the work",
    keys: [
      ["/", "find words: arrows go to them, Enter takes them up"],
      ["N, S, I", "note on the passage, strike it out, insert after it"],
      ["Y, Q", "tick, query"],
      ["1 to 9", "evidence for that criterion"],
      ["T", "a point: arrows move it, Enter pins a note, W writes there"],
      ["D, E", "take up the pen, the eraser"],
      ["Alt arrows", "move the open remark"],
      ["R, +, -", "turn the page, larger, smaller"],
      ["Escape", "put down what is held"],
    ],
  },
  {
    title: "Sweep: one criterion, all papers",
    keys: [
      ["1 to 9", "level of the paper in hand, and on to the next"],
      ["Enter", "type points"],
      ["↑ ↓", "paper before, paper after"],
      ["[ ]", "criterion before, criterion after"],
      ["B", "two papers at this level beside it"],
      ["H", "hide or show names"],
      ["A, Backspace", "does not apply, open again"],
    ],
  },
  {
    title: "One question, all answers",
    keys: [
      ["0 to 9", "points of the answer in hand, and on to the next"],
      ["Enter", "type points"],
      ["Backspace", "as the key gives"],
      ["[ ]", "question before, question after"],
    ],
  },
  {
    title: "Plan",
    keys: [
      ["Enter", "add what is written in shorthand"],
      ["Alt ↑ Alt ↓", "move the assignment"],
    ],
  },
  {
    title: "From the pile",
    keys: [
      ["mor 18 l2", "part of a name, the score, late by two"],
      ["mor 18 o32", "with the levels of its outcomes"],
      ["mor m: …", "missing, and a comment behind the colon"],
      ["↓ ↑", "choose another student"],
    ],
  },
  {
    title: "Gradebook",
    keys: [
      ["type", "17.5 score, 17.5 l2 late by two, m missing, x excused, - clear"],
      ["17.5 o32", "with the levels of its outcomes, in their order"],
      ["M, X", "missing, excused at once"],
      ["Enter, Tab", "keep and go down, keep and go right"],
      ["arrows", "move; Escape leaves a cell as it was"],
      ["Shift arrows", "select; Ctrl D fills it from its top cell"],
      ["Ctrl C, Ctrl V", "copy to and from a spreadsheet"],
      ["Delete", "clear"],
      ["Space", "the whole story of the figure; Shift Space: of the total"],
      ["Alt Enter", "comment on the result; Escape goes back to the cell"],
      ["Ctrl Enter", "open the paper on the desk"],
    ],
  },
];

/** The sheet of keys at `?`. */
export function KeySheet() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === "?" && !isTyping(event.target)) setOpen(true);
    };
    window.addEventListener("keydown", onKey);
    return () => {
      window.removeEventListener("keydown", onKey);
    };
  }, []);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger
        aria-label="Keys"
        title="Keys (?)"
        className="grid size-8 place-items-center rounded text-soft hover:bg-table hover:text-ink"
      >
        <Keyboard size={16} aria-hidden="true" />
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-50 max-h-[86vh] w-[min(880px,94vw)] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded border border-rule bg-sheet p-6 shadow-xl"
        >
          <div className="flex items-start justify-between">
            <Dialog.Title className="page-title">Keys</Dialog.Title>
            <Dialog.Close aria-label="Close" className="grid size-8 place-items-center rounded hover:bg-table">
              <X size={18} aria-hidden="true" />
            </Dialog.Close>
          </div>
          <div className="mt-3 gap-8 sm:columns-2">
            {SHEET.map(({ title, keys }) => (
              <section key={title} className="mb-5 break-inside-avoid">
                <h3 className="border-b border-rule pb-1 text-sm font-semibold">{title}</h3>
                <dl className="mt-1 text-sm">
                  {keys.map(([key, what]) => (
                    <div key={key + what} className="grid grid-cols-[8rem_1fr] gap-2 py-0.5">
                      <dt className="font-semibold">{key}</dt>
                      <dd className="text-soft">{what}</dd>
                    </div>
                  ))}
                </dl>
              </section>
            ))}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
