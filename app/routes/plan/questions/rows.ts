import { decimal, type Decimal, type QuestionId } from "#core/kernel";
import { isShapedLike } from "../../../ui/fields/drafts";
import type { AnswerKey, Question } from "#core/model";

/** A question while it is edited; null while it is not kept yet. */
export interface QuestionDraft {
  readonly id: QuestionId | null;
  readonly prompt: string;
  readonly points: Decimal;
  readonly key: AnswerKey;
}

/** What a new key starts with, by its kind. */
export const FRESH_KEYS: { readonly [K in AnswerKey["kind"]]: Extract<AnswerKey, { kind: K }> } = {
  choice: { kind: "choice", options: ["", ""], right: [0], partial: false },
  numeric: { kind: "numeric", value: "", tolerance: "", toleranceIn: "units" },
  short: { kind: "short", accepted: [""] },
  written: { kind: "written" },
};

/** How an answer is judged, by the kind of its key. */
export const KIND_OPTIONS: readonly (readonly [kind: AnswerKey["kind"], words: string])[] = [
  ["choice", "choice"],
  ["numeric", "number"],
  ["short", "short text"],
  ["written", "written, judged by hand"],
];

export const draftOf = ({ id, prompt, points, key }: Question): QuestionDraft => ({ id, prompt, points, key });

export const freshQuestion = (): QuestionDraft => ({
  id: null,
  prompt: "",
  points: decimal("2"),
  key: FRESH_KEYS.written,
});

/** Questions as they lie among the drafts; null for anything else. */
export function readQuestions(stored: unknown): readonly QuestionDraft[] | null {
  const isQuestion = (one: unknown): boolean => {
    if (!isShapedLike(one, { id: null, prompt: "", points: "", key: { kind: "" } })) return false;
    const { key } = one as QuestionDraft;
    return key.kind in FRESH_KEYS && isShapedLike(key, FRESH_KEYS[key.kind]);
  };
  return Array.isArray(stored) && stored.every(isQuestion) ? (stored as readonly QuestionDraft[]) : null;
}

/** What keeps a question from being kept, in words; null where nothing does. */
export function lackOf({ prompt, key }: QuestionDraft, place: number): string | null {
  const name = `Question ${String(place)}`;
  if (prompt.trim() === "") return `${name} has no words yet.`;
  if (key.kind === "choice" && key.options.some((option) => option.trim() === ""))
    return `${name} has an empty option.`;
  if (key.kind === "choice" && key.right.length === 0) return `${name} has no right option.`;
  if (key.kind === "numeric" && key.value.trim() === "") return `${name} has no number yet.`;
  if (key.kind === "short" && key.accepted.every((text) => text.trim() === "")) return `${name} accepts nothing yet.`;
  return null;
}

/** A draft as it is kept: empty accepted answers left out. */
export const keptQuestion = (draft: QuestionDraft): QuestionDraft =>
  draft.key.kind === "short"
    ? { ...draft, key: { ...draft.key, accepted: draft.key.accepted.filter((text) => text.trim() !== "") } }
    : draft;
