import { z } from "zod/mini";
import { fromDecimal, milliseconds, ok, refuse, type Id, type Result } from "#core/kernel";
import {
  courseOf,
  courseSchema,
  decimalField,
  EMPTY_STATE,
  idField,
  instantField,
  nameField,
  termsOf,
  type Course,
} from "#core/model";
import { letterOutOfOrder } from "#core/totals";
import type { ChangeIssue, CommandKind } from "../../engine/change";
import { finish, put, remove, withFields } from "../../engine/command-parts";

/** Commands for the course itself: its name, its rules, its terms. */

const startInput = z.object({ course: courseSchema, markerName: nameField, sections: z.array(nameField) });

/** The first change of every course: the course itself, its marker and its sections. */
export const startCourse: CommandKind<z.infer<typeof startInput>> = {
  input: startInput,
  prepare: (_state, { course, markerName, sections }, { fresh }) => {
    const checked = checkCourse(course);
    if (!checked.ok) return checked;
    return finish(
      `${course.title}: course started`,
      put(EMPTY_STATE, "courses", course),
      put(EMPTY_STATE, "markers", { id: course.markerId, name: markerName }),
      ...sections.map((name, order) =>
        put(EMPTY_STATE, "sections", { id: `section:${fresh()}` as Id<"section">, name, order }),
      ),
    );
  },
};

const editInput = z.object({
  fields: z.partial(z.omit(courseSchema, { id: true, origin: true, createdAt: true, markerId: true, packet: true })),
});

/** Changes the course's name or its rules. */
export const editCourse: CommandKind<z.infer<typeof editInput>> = {
  input: editInput,
  prepare: (state, { fields }) => {
    const course = withFields(courseOf(state), fields);
    const checked = checkCourse(course);
    if (!checked.ok) return checked;
    return finish(`${course.title}: ${wordsOf(Object.keys(fields))}`, put(state, "courses", course));
  },
};

const FIELD_WORDS: Readonly<Record<string, string>> = {
  lateRule: "late rule",
  missingPercent: "missing rule",
  letters: "letter scale",
  passMark: "pass mark",
  percentPlaces: "rounding",
  lettersCompare: "letters compared",
  emptyCategories: "empty categories",
  capAtHundred: "cap at 100 %",
  totalsRestOn: "what totals rest on",
  releaseStops: "what stops a release",
  releasePasses: "what stops a release",
  totals: "weights or points",
  timeZone: "time zone",
  namesBy: "names in lists",
  decimalMark: "decimal mark",
  dateOrder: "order of dates",
};

const wordsOf = (fields: readonly string[]): string =>
  `${[...new Set(fields.map((field) => FIELD_WORDS[field] ?? "course details"))].join(", ")} changed`;

function checkCourse(course: Course): Result<null, ChangeIssue> {
  const letter = letterOutOfOrder(course.letters);
  if (letter !== null) return refuse({ code: "bands_not_falling", letter });
  const { lateRule, missingPercent, passMark } = course;
  const percents = [lateRule?.ratePercent, lateRule?.capPercent, lateRule?.floorPercent, missingPercent, passMark];
  const below = percents.find((percent) => percent != null && fromDecimal(percent).n < 0n);
  if (below != null) return refuse({ code: "percent_below_zero", percent: below });
  try {
    new Intl.DateTimeFormat("en", { timeZone: course.timeZone });
    return ok(null);
  } catch {
    return refuse({ code: "unknown_time_zone", text: course.timeZone });
  }
}

const termInput = z.object({
  /** Null for a new one. */
  termId: z.nullable(idField("term")),
  name: nameField,
  weight: decimalField,
  startsAt: instantField,
  endsAt: instantField,
});

/** Adds a term, or changes one. It ends after it starts and does not overlap another. */
export const saveTerm: CommandKind<z.infer<typeof termInput>> = {
  input: termInput,
  prepare: (state, { termId, ...fields }, { fresh }) => {
    const known = termId && state.terms[termId];
    if (termId && !known) return refuse({ code: "unknown_record", what: "term", id: termId });
    const others = termsOf(state).filter(({ id }) => id !== termId);
    if (others.some(({ name }) => name === fields.name)) return refuse({ code: "name_taken", name: fields.name });
    if (fromDecimal(fields.weight).n < 0n) return refuse({ code: "weight_below_zero", weight: fields.weight });
    const [from, to] = [milliseconds(fields.startsAt), milliseconds(fields.endsAt)];
    if (to <= from) return refuse({ code: "term_ends_before_start", name: fields.name });
    const clash = others.find(({ startsAt, endsAt }) => milliseconds(startsAt) < to && from < milliseconds(endsAt));
    if (clash) return refuse({ code: "terms_overlap", name: fields.name, other: clash.name });
    const order = known ? known.order : others.reduce((most, term) => Math.max(most, term.order + 1), 0);
    const record = { ...fields, id: termId ?? (`term:${fresh()}` as Id<"term">), order };
    return finish(`Term ${fields.name} ${known ? "changed" : "added"}`, put(state, "terms", record));
  },
};

const removeTermInput = z.object({ termId: idField("term") });

/** Takes a term away; the work in it stays. */
export const removeTerm: CommandKind<z.infer<typeof removeTermInput>> = {
  input: removeTermInput,
  prepare: (state, { termId }) => {
    const term = state.terms[termId];
    if (!term) return refuse({ code: "unknown_record", what: "term", id: termId });
    return finish(`Term ${term.name} removed`, remove(state, "terms", termId));
  },
};
