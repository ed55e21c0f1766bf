import { COURSE_DEFAULTS } from "./course";
import { ASSIGNMENT_DEFAULTS, CRITERION_DEFAULTS } from "./plan";
import { RELEASE_DEFAULTS } from "./release";
import { RESULT_DEFAULTS } from "./blank";
import { STUDENT_DEFAULTS } from "./people";
import { JUDGEMENT_DEFAULTS, NOTE_DEFAULTS } from "./work";

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
};

/**
 * A record of an older version as one of today: fields that did not exist get the value every record starts with, and
 * work "online" is handed in as a file. A record of today comes back as it is.
 */
export function completeRecord(table: string, record: Fields): Fields {
  const added = ADDED[table];
  if (table === "copies") return completeCopy(record);
  if (table === "rubrics") return completeRubric(record);
  const lacking = added ? Object.keys(added).filter((field) => !Object.hasOwn(record, field)) : [];
  const online = table === "assignments" && record.channel === "online";
  if (lacking.length === 0 && !online) return record;
  return { ...added, ...record, ...(online && { channel: "file" }) };
}

/** What was given out before there were colours, files as feedback, answers, class figures, outcomes and a fixed name has none. */
function completeCopy(copy: Fields): Fields {
  const comments = copy.comments as { content: { notes: Fields[]; attachments?: unknown } } | null;
  const rubric = copy.rubric as { content: Fields } | null | undefined;
  const notes = comments?.content.notes ?? [];
  const whole =
    (!comments || (comments.content.attachments && notes.every((note) => Object.hasOwn(note, "colour")))) &&
    (!rubric || Object.hasOwn(rubric.content, "answers")) &&
    Object.hasOwn(copy, "classFigures") &&
    Object.hasOwn(copy, "outcomes") &&
    Object.hasOwn(copy, "name");
  if (whole) return copy;
  const completed = notes.map((note) => ({ colour: NOTE_DEFAULTS.colour, ...note }));
  return {
    classFigures: null,
    outcomes: null,
    name: "",
    ...copy,
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
