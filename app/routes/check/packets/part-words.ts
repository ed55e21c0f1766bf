import { questionsOf, rubricOf, outcomeRubricOf, type Assignment, type Criterion, type CourseState } from "#core/model";
import type { ComparedPart } from "#core/packets";
import { levelAt } from "#core/scoring";
import { counted } from "#core/words";
import { inMark } from "../../../ui/words/figures";

type Part = ComparedPart["part"];
type Value = ComparedPart["here"];

/** Characters that are shown of a text. */
const SHOWN = 80;
const short = (text: string): string => (text.length > SHOWN ? `${text.slice(0, SHOWN - 3)}...` : text);
const quoted = (text: unknown): string => (typeof text === "string" && text !== "" ? `"${short(text)}"` : "none");

const RESULT_PARTS: Readonly<Record<string, string>> = {
  score: "Score",
  decision: "Standing",
  unitsLate: "Lateness",
  moreTime: "More time",
  adjustment: "Own part of the group's score",
  outcomeLevelId: "Outcome",
  overallComment: "Comment",
  feedbackFiles: "Files as feedback",
  privateNote: "Private note",
  zones: "Zones",
};

/** Texts beside a judgement. */
const TEXTS: Readonly<Record<string, string>> = { comment: ", comment", privateNote: ", private note" };

/** What a part of a packet is called. */
export function partName(state: CourseState, assignment: Assignment, { table, id, fields }: Part): string {
  const [field = ""] = fields;
  switch (table) {
    case "results":
      return RESULT_PARTS[field] ?? field;
    case "judgements": {
      const criterion = criterionOf(state, assignment, id.split("/")[2] ?? "");
      return `${criterion?.name ?? "A criterion that is gone"}${TEXTS[field] ?? ""}`;
    }
    case "answers": {
      const place = questionsOf(state, assignment.id).findIndex((question) => question.id === id.split("/")[2]);
      return `Question ${String(place + 1)}${field === "comment" ? ", comment" : ""}`;
    }
    case "groups":
      return "Group's score";
    case "notes":
      return "Remark";
    case "secondMarks":
      return SECOND_PARTS[field] ?? criterionOf(state, assignment, field)?.name ?? "A criterion that is gone";
  }
}

const SECOND_PARTS: Readonly<Record<string, string>> = { score: "Score", comment: "Comment", notes: "Remarks" };

const criterionOf = (state: CourseState, assignment: Assignment, id: string): Criterion | undefined =>
  [rubricOf(state, assignment), outcomeRubricOf(state, assignment)]
    .flatMap((rubric) => rubric?.criteria ?? [])
    .find((criterion) => criterion.id === id);

/** What stands in a part, in words. */
export function valueWords(state: CourseState, assignment: Assignment, part: Part, value: Value): string {
  if (value === null) return "none";
  const [field = ""] = part.fields;
  switch (part.table) {
    case "judgements":
      if (TEXTS[field]) return quoted(value[field]);
      return judgedWords(criterionOf(state, assignment, part.id.split("/")[2] ?? ""), value);
    case "secondMarks": {
      const given = value[field];
      if (field === "score") return told(given) ?? "open";
      if (field === "comment") return quoted(given);
      if (field === "notes") return counted((given as readonly unknown[]).length, "remark");
      const judged = given as { readonly comment?: string };
      const words = judgedWords(criterionOf(state, assignment, field), judged);
      return judged.comment ? `${words}, ${quoted(judged.comment)}` : words;
    }
    case "notes":
      return quoted(value["body"]) === "none" ? `a ${String(value["mark"])}` : quoted(value["body"]);
    case "answers":
      return field === "comment" ? quoted(value["comment"]) : (told(value["points"]) ?? "as the key gives");
    case "groups":
      return told(value["score"]) ?? "open";
    case "results":
      return resultWords(state, assignment, field, value);
  }
}

const told = (value: unknown): string | null => (typeof value === "string" ? value : null);

function judgedWords(criterion: Criterion | undefined, value: object): string {
  const { points = null, notApplicable = false } = value as { points?: string | null; notApplicable?: boolean };
  if (notApplicable) return "not applicable";
  if (points === null) return "open";
  const level = criterion && levelAt(criterion, points as Parameters<typeof levelAt>[1]);
  return level ? `${inMark(points)}, ${level.name}` : inMark(points);
}

function resultWords(
  state: CourseState,
  { scoredIn, outcomeScaleId }: Assignment,
  field: string,
  value: NonNullable<Value>,
): string {
  const levelName = (scaleId: string | null, levelId: unknown) =>
    scaleId === null ? undefined : state.scales[scaleId]?.levels.find(({ id }) => id === levelId)?.name;
  switch (field) {
    case "score": {
      const level = levelName(scoredIn.kind === "scale" ? scoredIn.scaleId : null, value["levelId"]);
      const setByHand = told(value["setByHand"]);
      return setByHand ? `${setByHand} set by hand` : (level ?? told(value["score"]) ?? "open");
    }
    case "decision":
      return told(value["decision"]) ?? "handed in, or expected";
    case "unitsLate":
      return typeof value["unitsLate"] === "number" ? `late by ${String(value["unitsLate"])}` : "as its time tells";
    case "overallComment":
    case "privateNote":
      return quoted(value[field]);
    case "outcomeLevelId":
      return levelName(outcomeScaleId, value["outcomeLevelId"]) ?? "open";
    case "feedbackFiles":
      return counted((value["feedbackFiles"] as readonly unknown[]).length, "file");
    case "zones":
      return counted((value["zones"] as readonly unknown[]).length, "zone");
    case "adjustment":
      return told(value["adjustment"]) ?? "none";
    default:
      return value[field] === null ? "none" : "set";
  }
}
