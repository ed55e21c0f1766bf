import type { ChangeIssue } from "#core/changes";

type InputIssue = Extract<ChangeIssue, { code: "input_not_valid" }>;

/** Fields whose name in the code is not the word on the screen. */
const FIELD_WORDS: Readonly<Record<string, string>> = {
  at: "time",
  dueAt: "due date",
  givenAt: "date given",
  task: "instructions",
  number: "student number",
  text: "text",
};

/** `fields.shortName` -> "short name"; places in lists say nothing to a reader. */
function fieldWords(path: string): string {
  const name = path.split(".").findLast((part) => !/^\d+$/.test(part)) ?? "";
  if (name === "" || name === "fields" || name === "type") return "entry";
  return FIELD_WORDS[name] ?? name.replace(/Id$/, "").replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);
}

const figure = (count: number): string => count.toLocaleString("en-GB");

/** What is wrong with a field, and how to mend it. */
export function inputWords({ path, fault }: InputIssue): string {
  const field = `The ${fieldWords(path)}`;
  switch (fault.kind) {
    case "empty":
      return `${field} is empty. Fill it in; nothing was changed.`;
    case "too_long":
      return `${field} is too long: at most ${figure(fault.most)} characters. Shorten it; nothing was changed.`;
    case "too_many":
      return `${field}: at most ${figure(fault.most)} at once. Take fewer; nothing was changed.`;
    case "too_large":
      return `${field} is too large: at most ${figure(fault.most)}. Nothing was changed.`;
    case "too_small":
      return `${field} is too small: at least ${figure(fault.least)}. Nothing was changed.`;
    case "not_understood":
      return `${field} is not understood. Check it and try again; nothing was changed.`;
  }
}
