import type { Account, WhyLeftOut } from "#core/totals";
import { METHOD_WORDS, momentText } from "#core/words";
import { inMark } from "./figures";

/** Names of records by their ids, and the course's time zone. */
export interface NameOf {
  readonly record: (id: string) => string;
  readonly timeZone: string;
}

const ATTEMPTS = {
  last: "the last attempt counts",
  first: "the first attempt counts",
  best: "the best attempt counts",
  mean: "mean of the attempts",
};
const SCALINGS = {
  add: "points added",
  linear: "scaled along a line",
  squareRoot: "scaled by square root",
  tScore: "scaled to T scores",
};

/** What a figure is of; `above` is the id of the figure it is part of. */
export function accountName(account: Account, { record }: NameOf, above: string | null): string {
  if (account.kind === "course") return "Course";
  // Below a result of the same work stands the score it was made from.
  return account.id === above ? "Score" : record(account.id);
}

/** The rule that made a figure, with its settings. */
export function ruleWords(account: Account, { timeZone }: NameOf): string {
  const { rule } = account;
  switch (rule.name) {
    case "entered": {
      const source =
        { judged: "judged", setByHand: "set by hand", key: "by the key", settled: "settled after second marking" }[
          rule.source as string
        ] ?? "entered";
      return rule.by ? `${source} by ${rule.by.by}, ${momentText(rule.by.at, timeZone)}` : source;
    }
    case "open":
      return rule.outlook === "now" ? "" : rule.outlook === "lowest" ? "open, taken as 0" : "open, taken as full";
    case "rubric":
      return rule.weighted ? "criteria weighed" : rule.scaledTo ? "criteria added and scaled" : "criteria added";
    case "answers":
      return "answers added";
    case "group":
      return rule.adjustment.n === 0n ? "score of the group" : "score of the group with an own part";
    case "scaled":
      return SCALINGS[rule.scaling.kind];
    case "late":
      return `late by ${String(rule.units)}${rule.until ? ` after ${momentText(rule.until, timeZone)}, a time of their own` : ""}: ${inMark(rule.rule.ratePercent)} % of the ${rule.rule.base === "maximum" ? "maximum" : "score"} each`;
    case "attempts":
      return ATTEMPTS[rule.which];
    case "missing":
      return rule.percent === null ? "missing, nothing until decided" : `missing, counts ${inMark(rule.percent)} %`;
    case "excused":
      return "excused";
    case "setByHand":
      return "set by hand";
    case "category": {
      const { keep } = rule;
      const kept =
        keep.kind === "all"
          ? ""
          : keep.kind === "dropLowest"
            ? `, lowest ${String(keep.count)} dropped`
            : `, best ${String(keep.count)} kept`;
      return METHOD_WORDS[rule.method] + kept;
    }
    case "asItem":
      return "as one item";
    case "weighted":
      return "categories by weight";
    case "straightPoints":
      return "straight points";
    case "terms":
      return "terms by weight";
    case "cap":
      return "never above 100 %";
  }
}

const WHY: Readonly<Record<WhyLeftOut, string>> = {
  excused: "excused",
  dropped: "dropped",
  nothingYet: "nothing yet",
  notCounted: "counts nowhere",
  wordsOnly: "words only",
  noEffect: "bonus without effect",
  empty: "nothing counts in it yet",
  noWeight: "has no weight",
  replaced: "replaced by hand",
  otherAttempt: "another attempt counts",
  notApplicable: "does not apply",
  undated: "no due date",
  outsideEveryTerm: "due outside every term",
  sealed: "sealed",
};

/** Why something did not enter a figure. */
export const whyWords = (why: WhyLeftOut): string => WHY[why];
