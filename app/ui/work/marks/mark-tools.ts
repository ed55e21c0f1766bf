import type { Held, HeldMark } from "../types";

/** A remark that one key puts on what is held; its key is the one of its name among the keys of the work. */
export interface MarkTool {
  readonly mark: HeldMark;
  readonly words: string;
}

/** Remarks for a passage, and for a point. */
export const MARK_TOOLS: Readonly<Record<Held["kind"], readonly MarkTool[]>> = {
  passage: [
    { mark: "highlight", words: "Note" },
    { mark: "strikeout", words: "Strike out" },
    { mark: "insertion", words: "Insert after" },
    { mark: "tick", words: "Tick" },
    { mark: "query", words: "Query" },
  ],
  pin: [
    { mark: "pin", words: "Pin here" },
    { mark: "text", words: "Write here" },
    { mark: "tick", words: "Tick" },
    { mark: "query", words: "Query" },
  ],
};
