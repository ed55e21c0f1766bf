import { ASSIGNMENT_DEFAULTS } from "./plan";
import { RESULT_DEFAULTS } from "./blank";
import { STUDENT_DEFAULTS } from "./people";

type Fields = Readonly<Record<string, unknown>>;

/** What a record lacks when it was made before a field was thought of. */
const ADDED: Readonly<Record<string, Fields>> = {
  assignments: ASSIGNMENT_DEFAULTS,
  students: STUDENT_DEFAULTS,
  results: RESULT_DEFAULTS,
};

/**
 * A record of an older version as one of today: fields that did not exist get the value every record starts with, and
 * work "online" is handed in as a file. A record of today comes back as it is.
 */
export function completeRecord(table: string, record: Fields): Fields {
  const added = ADDED[table];
  const lacking = added ? Object.keys(added).filter((field) => !Object.hasOwn(record, field)) : [];
  const online = table === "assignments" && record.channel === "online";
  if (lacking.length === 0 && !online) return record;
  return { ...added, ...record, ...(online && { channel: "file" }) };
}
