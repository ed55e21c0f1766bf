import { COURSE_DEFAULTS } from "../records/course";
import { ASSIGNMENT_DEFAULTS, CRITERION_DEFAULTS } from "../records/plan";
import { RELEASE_DEFAULTS } from "../records/release";
import { SECOND_MARK_DEFAULTS } from "../records/moderation";
import { RESULT_DEFAULTS } from "./blank";
import { STUDENT_DEFAULTS } from "../records/people";
import { JUDGEMENT_DEFAULTS, NOTE_DEFAULTS } from "../records/work";

type Fields = Readonly<Record<string, unknown>>;

/** What a record lacks when it was made before a field was thought of. */
const ADDED: Readonly<Record<string, Fields>> = {
  assignments: ASSIGNMENT_DEFAULTS,
  students: STUDENT_DEFAULTS,
  results: RESULT_DEFAULTS,
  notes: NOTE_DEFAULTS,
  judgements: JUDGEMENT_DEFAULTS,
  courses: COURSE_DEFAULTS,
  releases: RELEASE_DEFAULTS,
  secondMarks: SECOND_MARK_DEFAULTS,
};

/** What a copy lacks that was given out before there were class figures, outcomes and a fixed name. */
const COPY_DEFAULTS: Fields = { classFigures: null, outcomes: null, name: "" };

/**
 * A record of an older version as one of today: fields that did not exist get the value every record starts with. A record
 * of today comes back as it is.
 */
export function completeRecord(table: string, record: Fields): Fields {
  const added = table === "copies" ? COPY_DEFAULTS : ADDED[table];
  const lacks = added && Object.keys(added).some((field) => !Object.hasOwn(record, field));
  return completeFields(table, lacks ? { ...added, ...record } : record);
}

/**
 * Fields of a record, all or some, as they are made today: what stood inside a field and has changed its shape since is
 * brought over, nothing is added. Fields of today come back as they are.
 */
export function completeFields(table: string, fields: Fields): Fields {
  switch (table) {
    case "assignments":
      return completeZones(fields.channel === "online" ? { ...fields, channel: "file" } : fields);
    case "results":
      return completeZones(fields);
    case "copies":
      return completeCopy(fields);
    case "rubrics":
      return completeRubric(fields);
    case "totalCopies":
      return completeTotals(fields);
    case "moderations":
      return completeWay(fields);
    default:
      return fields;
  }
}

/** Zones that were drawn before questions had any are of criteria. */
function completeZones(record: Fields): Fields {
  const zones = record.zones as Fields[] | undefined;
  if (!zones?.some((zone) => Object.hasOwn(zone, "criterionId"))) return record;
  return {
    ...record,
    zones: zones.map(({ criterionId, ...zone }) => (criterionId ? { ...zone, of: criterionId } : zone)),
  };
}

/** Papers of a sample that were chosen by name had the word of a figure set by hand. */
function completeWay(record: Fields): Fields {
  const way = record.way as Fields | undefined;
  return way?.kind === "byHand" ? { ...record, way: { kind: "named" } } : record;
}

/** What was given out before there were colours, files as feedback, answers and levels has none. */
function completeCopy(copy: Fields): Fields {
  const score = copy.score as { content: Fields } | null | undefined;
  const comments = copy.comments as { content: { notes: Fields[]; attachments?: unknown } } | null | undefined;
  const rubric = copy.rubric as { content: Fields } | null | undefined;
  const notes = comments?.content.notes ?? [];
  const whole =
    (!comments || (comments.content.attachments && notes.every((note) => Object.hasOwn(note, "colour")))) &&
    (!rubric || Object.hasOwn(rubric.content, "answers")) &&
    (!score || Object.hasOwn(score.content, "level"));
  if (whole) return copy;
  const completed = notes.map((note) => ({ colour: NOTE_DEFAULTS.colour, ...note }));
  return {
    ...copy,
    ...(score && { score: { ...score, content: { level: null, ...score.content } } }),
    ...(comments && { comments: { ...comments, content: { attachments: [], ...comments.content, notes: completed } } }),
    ...(rubric && { rubric: { ...rubric, content: { answers: [], ...rubric.content } } }),
  };
}

/** Criteria that were made before they could ask for evidence ask for none. */
function completeRubric(rubric: Fields): Fields {
  const criteria = rubric.criteria as Fields[] | undefined;
  if (!criteria || criteria.every((criterion) => Object.hasOwn(criterion, "asksEvidence"))) return rubric;
  return { ...rubric, criteria: criteria.map((criterion) => ({ ...CRITERION_DEFAULTS, ...criterion })) };
}

interface OldLine {
  readonly text?: string | null;
  readonly items?: readonly OldLine[];
}

/** Accounts of totals that were given out as sentences keep their sentences. */
function completeTotals(record: Fields): Fields {
  const totals = record.totals as { readonly parts: readonly OldLine[] }[] | undefined;
  if (!totals?.some(({ parts }) => parts.some((part) => Object.hasOwn(part, "text")))) return record;
  const line = ({ text, items, ...rest }: OldLine): object => ({
    ...rest,
    told: text == null ? null : { kind: "words", text },
    ...(items && { items: items.map(line) }),
  });
  return { ...record, totals: totals.map((total) => ({ ...total, parts: total.parts.map(line) })) };
}
