/**
 * A row of the key sheet: what is written there, and the keys that it stands for, by the name under which they are
 * handled. `Ctrl+` is the command key too; a letter is heard as it is printed, a digit by its place, also on the number
 * pad. A row without names is about what is typed into a field or a cell.
 */
const row = <const K extends Readonly<Record<string, string | readonly string[]>>>(
  shown: string,
  does: string,
  keys: K,
) => ({ shown, does, keys });
const typed = (shown: string, does: string) => row(shown, does, {});

/** Every key of the application, once: whoever handles keys and the sheet at `?` both read it here. */
export const KEY_LIST = {
  everywhere: {
    title: "Everywhere",
    rows: [
      row("?", "this sheet", { sheet: "?" }),
      row("Ctrl K", "find a student, an assignment, an action", { find: "Ctrl+k" }),
      row("Ctrl Z, Ctrl Y", "undo, redo", { undo: "Ctrl+z", redo: ["Ctrl+y", "Ctrl+Shift+z"] }),
      row("Ctrl Shift L", "lock the course, where it has a lock", { lock: "Ctrl+Shift+l" }),
    ],
  },
  judging: {
    title: "Desk: judging",
    rows: [
      row("1 to 9", "level of the marked criterion, and on to the next", { level: "1-9" }),
      row("Shift 1 to 9", "level, and stay", { levelAndStay: "Shift+1-9" }),
      row("← →", "one step down, one step up", { stepDown: "ArrowLeft", stepUp: "ArrowRight" }),
      row("↑ ↓", "criterion before, criterion after", { criterionBefore: "ArrowUp", criterionAfter: "ArrowDown" }),
      row("Enter", "type points", { typePoints: "Enter" }),
      row("A", "does not apply", { notApplicable: "a" }),
      row("Backspace", "open again", { openAgain: "Backspace" }),
      row("Alt → Alt ←", "next paper, paper before", { nextPaper: "Alt+ArrowRight", paperBefore: "Alt+ArrowLeft" }),
      row("W", "next paper that waits", { nextWaiting: "w" }),
      row("M, X, L", "missing, excused, late by", { missing: "m", excused: "x", late: "l" }),
      row("C, V", "overall comment, private note", { overallComment: "c", privateNote: "v" }),
      typed("Ctrl B, Ctrl I", "strong, emphasised words in the overall comment"),
      row("U", "the whole rubric with its words", { wholeRubric: "u" }),
      row("O", "outcomes: a digit gives the level and goes on to the next", { outcomes: "o" }),
      row("K", "comment on the marked criterion", { criterionComment: "k" }),
      typed("/ in a comment", "phrases: arrows, Enter puts one in, Delete removes it"),
      row("B", "two papers at this level beside the one in hand", { compare: "b" }),
      row("P", "hide or show the pile", { pile: "p" }),
      row("Escape", "let go of the open remark and of the papers beside", { letGo: "Escape" }),
    ],
  },
  work: {
    title: "Desk: writing on the work",
    rows: [
      row("/", "find words: arrows go to them, Enter takes them up", { find: "/" }),
      row("N, S, I", "note on the passage, strike it out, insert after it", {
        highlight: "n",
        strikeout: "s",
        insertion: "i",
      }),
      row("Y, Q", "tick, query", { tick: "y", query: "q" }),
      row("1 to 9", "evidence for that criterion", { evidence: "1-9" }),
      row("T", "a point: arrows move it, Enter pins a note, W writes there", {
        point: "t",
        left: "ArrowLeft",
        right: "ArrowRight",
        up: "ArrowUp",
        down: "ArrowDown",
        pin: "Enter",
        text: "w",
      }),
      row("D, E", "take up the pen, the eraser", { pen: "d", eraser: "e" }),
      row("Alt arrows", "move the open remark", {
        remarkLeft: "Alt+ArrowLeft",
        remarkRight: "Alt+ArrowRight",
        remarkUp: "Alt+ArrowUp",
        remarkDown: "Alt+ArrowDown",
      }),
      row("R, +, -", "turn the page, larger, smaller", { turn: "r", larger: "+", smaller: "-" }),
      row("Escape", "put down what is held", { putDown: "Escape" }),
    ],
  },
  sweep: {
    title: "Sweep: one criterion, all papers",
    rows: [
      row("1 to 9", "level of the paper in hand, and on to the next", { level: "1-9" }),
      row("Enter", "type points", { typePoints: "Enter" }),
      row("↑ ↓", "paper before, paper after", { paperBefore: "ArrowUp", paperAfter: "ArrowDown" }),
      row("[ ]", "criterion before, criterion after", { criterionBefore: "[", criterionAfter: "]" }),
      row("B", "two papers at this level beside it", { compare: "b" }),
      row("H", "hide or show names", { names: "h" }),
      row("A, Backspace", "does not apply, open again", { notApplicable: "a", openAgain: "Backspace" }),
      row("Escape", "let go of the papers beside", { letGo: "Escape" }),
    ],
  },
  answers: {
    title: "One question, all answers",
    rows: [
      row("0 to 9", "points of the answer in hand, and on to the next", { points: "0-9" }),
      row("Enter", "type points", { typePoints: "Enter" }),
      row("↑ ↓", "answer before, answer after", { answerBefore: "ArrowUp", answerAfter: "ArrowDown" }),
      row("Backspace", "as the key gives", { openAgain: "Backspace" }),
      row("[ ]", "question before, question after", { questionBefore: "[", questionAfter: "]" }),
      row("H", "hide or show names", { names: "h" }),
    ],
  },
  check: {
    title: "Check",
    rows: [row("T", "the figures of a picture as a table, and back", { table: "t" })],
  },
  second: {
    title: "Check: second marking",
    rows: [
      row("1 to 9", "level of the marked criterion, and on to the next", { level: "1-9" }),
      row("↑ ↓", "criterion before, criterion after", { criterionBefore: "ArrowUp", criterionAfter: "ArrowDown" }),
      row("Alt → Alt ←", "next paper, paper before", { nextPaper: "Alt+ArrowRight", paperBefore: "Alt+ArrowLeft" }),
    ],
  },
  shared: {
    title: "Check: two hand-ins side by side",
    rows: [row("[ ]", "shared passage before, after", { passageBefore: "[", passageAfter: "]" })],
  },
  plan: {
    title: "Plan",
    rows: [
      typed("Enter", "add what is written in shorthand"),
      row("Alt ↑ Alt ↓", "move the assignment", { moveUp: "Alt+ArrowUp", moveDown: "Alt+ArrowDown" }),
      typed("Space on a handle", "take it up: arrows move it, Space puts it down, Escape leaves it"),
    ],
  },
  pile: {
    title: "From the pile",
    rows: [
      typed("mor 18 l2", "part of a name, the score, late by two"),
      typed("mor 18 o32", "with the levels of its outcomes"),
      typed("mor m: …", "missing, and a comment behind the colon"),
      typed("↓ ↑", "choose another student"),
    ],
  },
  zones: {
    title: "Zones of a paper",
    rows: [
      row("1 to 9", "the criterion whose zone is drawn next", { criterion: "1-9" }),
      row("arrows", "move the zone in focus", {
        left: "ArrowLeft",
        right: "ArrowRight",
        up: "ArrowUp",
        down: "ArrowDown",
      }),
      row("Shift arrows", "size it", {
        narrower: "Shift+ArrowLeft",
        wider: "Shift+ArrowRight",
        lower: "Shift+ArrowUp",
        higher: "Shift+ArrowDown",
      }),
      row("Delete", "remove it", { remove: ["Delete", "Backspace"] }),
    ],
  },
  layOut: {
    title: "Collect: the pages of a pile",
    rows: [
      row("arrows", "page before, page after, row above, row below", {
        before: "ArrowLeft",
        after: "ArrowRight",
        above: "ArrowUp",
        below: "ArrowDown",
      }),
      typed("Enter, Space", "a paper begins at this page, or no longer"),
      row("T, Shift T", "turn the page, the whole paper", { turn: "t", turnPaper: "Shift+t" }),
      row("X", "leave the page out, or take it in again", { leaveOut: "x" }),
    ],
  },
  gradebook: {
    title: "Gradebook",
    rows: [
      typed("type", "17.5 score, 17.5 l2 late by two, m missing, x excused, - clear"),
      typed("17.5 o32", "with the levels of its outcomes, in their order"),
      typed("M, X", "missing, excused at once"),
      row("Enter, Tab", "keep and go down, keep and go right", { edit: ["Enter", "F2"] }),
      row("arrows", "move; Escape leaves a cell as it was", {
        down: "ArrowDown",
        up: "ArrowUp",
        right: "ArrowRight",
        left: "ArrowLeft",
        leave: "Escape",
      }),
      row("Ctrl arrows", "to the edge; Page Up, Page Down, Home, End", {
        lastRow: "Ctrl+ArrowDown",
        firstRow: "Ctrl+ArrowUp",
        lastColumn: "Ctrl+ArrowRight",
        firstColumn: "Ctrl+ArrowLeft",
        pageDown: "PageDown",
        pageUp: "PageUp",
        rowStart: "Home",
        rowEnd: "End",
      }),
      row("Shift arrows", "select; Ctrl A the column; Ctrl D fills it from its top cell", {
        fillDown: "Ctrl+d",
        wholeColumn: "Ctrl+a",
      }),
      typed("Ctrl C, Ctrl V", "copy to and from a spreadsheet"),
      row("Delete", "clear", { clear: ["Delete", "Backspace"] }),
      row("Space", "the whole story of the figure; Shift Space: of the total", {
        story: "Space",
        totalStory: "Shift+Space",
      }),
      row("Alt Enter", "comment on the result; Escape goes back to the cell", { comment: "Alt+Enter" }),
      row("Ctrl Enter", "open the paper on the desk", { openPaper: "Ctrl+Enter" }),
    ],
  },
} as const;

/** A part of the application with keys of its own. */
export type KeyScope = keyof typeof KEY_LIST;
type NamesIn<K> = K extends unknown ? keyof K & string : never;
type Names = { readonly [S in KeyScope]: NamesIn<(typeof KEY_LIST)[S]["rows"][number]["keys"]> };
/** The names of the keys of one part. */
export type KeyName<S extends KeyScope> = Names[S];
