import type { Held, HeldMark } from "../types";

/** A remark that one key puts on what is held. */
export interface MarkTool {
  readonly mark: HeldMark;
  /** The key as it is written on the tool. */
  readonly key: string;
  readonly words: string;
}

/** Remarks for a passage, and for a point. */
export const MARK_TOOLS: Readonly<Record<Held["kind"], readonly MarkTool[]>> = {
  passage: [
    { mark: "highlight", key: "N", words: "Note" },
    { mark: "strikeout", key: "S", words: "Strike out" },
    { mark: "insertion", key: "I", words: "Insert after" },
    { mark: "tick", key: "Y", words: "Tick" },
    { mark: "query", key: "Q", words: "Query" },
  ],
  pin: [
    { mark: "pin", key: "Enter", words: "Pin here" },
    { mark: "text", key: "W", words: "Write here" },
    { mark: "tick", key: "Y", words: "Tick" },
    { mark: "query", key: "Q", words: "Query" },
  ],
};
