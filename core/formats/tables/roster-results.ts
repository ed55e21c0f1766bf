import { strToU8, zipSync } from "fflate";
import { milliseconds, pointsText, type Instant } from "#core/kernel";
import {
  assignmentsOf,
  categoriesOf,
  courseOf,
  studentsOf,
  termsOf,
  type Assignment,
  type CourseState,
} from "#core/model";
import { figuresOf, termOf, type Figure } from "#core/totals";
import { writeCsv } from "./csv";
import { finalGrades } from "./final-grades";
import { MANIFEST_PROPERTIES, ROSTER_RESULTS_FIELDS, type RosterResultsFile } from "./roster-results-fields";

type Row<F extends RosterResultsFile> = Partial<Record<(typeof ROSTER_RESULTS_FIELDS)[F][number], string>>;

/** An id as the set can carry it. */
const idText = (id: string): string => id.replace(":", "-");

/** Values stand as they are: the set is read by programs, and a mark put in front of a name would change it. */
const fileText = <F extends RosterResultsFile>(file: F, rows: readonly Row<F>[]): string =>
  writeCsv([
    ROSTER_RESULTS_FIELDS[file].map((figure) => ({ figure })),
    ...rows.map((row) =>
      ROSTER_RESULTS_FIELDS[file].map((field) => ({ figure: (row as Readonly<Record<string, string>>)[field] ?? "" })),
    ),
  ]);

const ORG = "institution";
const WHOLE = "session-course";
const CLASS = "class-course";
const COURSE_TOTAL = "line-course-total";
const TOTAL_CATEGORY = "category-course-total";

/** The whole course as the open roster-and-results set: the files by their names, each with all of its columns. */
export function rosterResultsFiles(state: CourseState, at: Instant): Readonly<Record<string, string>> {
  const { title, shortTitle, institution, timeZone } = courseOf(state);
  const day = dayIn(timeZone);
  const sessions = sessionsOf(state, at);
  const students = studentsOf(state);
  const files: { readonly [F in RosterResultsFile]: readonly Row<F>[] } = {
    manifest: manifestRows(),
    orgs: [{ sourcedId: ORG, name: institution || "Institution", type: "local" }],
    academicSessions: sessions,
    courses: [{ sourcedId: "course", schoolYearSourcedId: WHOLE, title, courseCode: shortTitle, orgSourcedId: ORG }],
    classes: [
      {
        sourcedId: CLASS,
        title,
        courseSourcedId: "course",
        classCode: shortTitle,
        classType: "scheduled",
        schoolSourcedId: ORG,
        termSourcedIds: sessions.map(({ sourcedId }) => sourcedId ?? "").join(","),
      },
    ],
    users: students.map(({ id, number, givenName, familyName, email }) => ({
      sourcedId: idText(id),
      enabledUser: "true",
      orgSourcedIds: ORG,
      role: "student",
      username: number,
      givenName,
      familyName,
      identifier: number,
      email,
    })),
    enrollments: students.map(({ id }) => ({
      sourcedId: `enrolment-${idText(id)}`,
      classSourcedId: CLASS,
      schoolSourcedId: ORG,
      userSourcedId: idText(id),
      role: "student",
    })),
    categories: [
      ...categoriesOf(state).map(({ id, name }) => ({ sourcedId: idText(id), title: name })),
      { sourcedId: TOTAL_CATEGORY, title: "Course total" },
    ],
    lineItems: [...assignmentsOf(state).map((assignment) => lineItem(state, assignment, at)), totalItem(day(at))],
    results: resultRows(state, day(at)),
  };
  return Object.fromEntries(
    (Object.keys(files) as RosterResultsFile[]).map((file) => [`${file}.csv`, fileText(file, files[file])]),
  );
}

/** The set in one archive, all files at its top. */
export const rosterResultsArchive = (state: CourseState, at: Instant): Uint8Array<ArrayBuffer> =>
  zipSync(
    Object.fromEntries(Object.entries(rosterResultsFiles(state, at)).map(([name, text]) => [name, strToU8(text)])),
  );

/** `2026-10-23`, the day of a moment in a time zone. */
function dayIn(timeZone: string): (at: string) => string {
  const format = new Intl.DateTimeFormat("sv-SE", { dateStyle: "short", timeZone });
  return (at) => format.format(new Date(at));
}

function manifestRows(): Row<"manifest">[] {
  const values: Readonly<Record<string, string>> = {
    "manifest.version": "1.0",
    "oneroster.version": "1.1",
    "source.systemName": "Upright Quill",
    "source.systemCode": "upright-quill",
  };
  const held = new Set<string>(Object.keys(ROSTER_RESULTS_FIELDS).map((file) => `file.${file}`));
  return MANIFEST_PROPERTIES.map((propertyName) => ({
    propertyName,
    value: values[propertyName] ?? (held.has(propertyName) ? "bulk" : "absent"),
  }));
}

/** The course as a session of its own, then its terms. */
function sessionsOf(state: CourseState, at: Instant): Row<"academicSessions">[] {
  const day = dayIn(courseOf(state).timeZone);
  const terms = termsOf(state);
  const moments = [
    ...assignmentsOf(state).flatMap(({ dueAt }) => dueAt ?? []),
    ...terms.flatMap(({ startsAt, endsAt }) => [startsAt, endsAt]),
    courseOf(state).createdAt,
  ].sort((a, b) => milliseconds(a) - milliseconds(b));
  const [first, last] = [moments[0] ?? at, moments.at(-1) ?? at];
  const yearOf = (moment: string) => day(moment).slice(0, 4);
  return [
    {
      sourcedId: WHOLE,
      title: courseOf(state).title,
      type: "schoolYear",
      startDate: day(first),
      endDate: day(last),
      schoolYear: yearOf(last),
    },
    ...terms.map(({ id, name, startsAt, endsAt }) => ({
      sourcedId: idText(id),
      title: name,
      type: "term",
      startDate: day(startsAt),
      endDate: day(endsAt),
      parentSourcedId: WHOLE,
      schoolYear: yearOf(endsAt),
    })),
  ];
}

function lineItem(state: CourseState, assignment: Assignment, at: Instant): Row<"lineItems"> {
  const day = dayIn(courseOf(state).timeZone);
  const term = termOf(termsOf(state), assignment);
  const due = assignment.dueAt ?? at;
  return {
    sourcedId: idText(assignment.id),
    title: assignment.name,
    assignDate: day(assignment.givenAt ?? due),
    dueDate: day(due),
    classSourcedId: CLASS,
    categorySourcedId: idText(assignment.categoryId),
    gradingPeriodSourcedId: term ? idText(term) : WHOLE,
    resultValueMin: "0",
    resultValueMax: assignment.points,
  };
}

/** The line the final grades stand on, in percent. */
const totalItem = (day: string): Row<"lineItems"> => ({
  sourcedId: COURSE_TOTAL,
  title: "Course total",
  description: "Total of the course in percent",
  assignDate: day,
  dueDate: day,
  classSourcedId: CLASS,
  categorySourcedId: TOTAL_CATEGORY,
  gradingPeriodSourcedId: WHOLE,
  resultValueMin: "0",
  resultValueMax: "100",
});

function statusOf({ standing, counted, waiting }: Figure): string | null {
  if (standing === "excused") return "exempt";
  if (standing === "missing") return "not submitted";
  if (waiting) return "submitted";
  return counted ? "fully graded" : null;
}

function resultRows(state: CourseState, scoreDate: string): Row<"results">[] {
  const { figure } = figuresOf(state);
  const rows = studentsOf(state).flatMap(({ id }) =>
    assignmentsOf(state).flatMap((assignment): Row<"results">[] => {
      const own = figure(assignment.id, id);
      const scoreStatus = statusOf(own);
      if (scoreStatus === null) return [];
      return [
        {
          sourcedId: `result-${idText(assignment.id)}-${idText(id)}`,
          lineItemSourcedId: idText(assignment.id),
          studentSourcedId: idText(id),
          scoreStatus,
          score: own.counted ? pointsText(own.counted) : "",
          scoreDate,
        },
      ];
    }),
  );
  const totals = finalGrades(state).flatMap(({ studentId, percent, letter }): Row<"results">[] =>
    percent === null
      ? []
      : [
          {
            sourcedId: `result-course-total-${idText(studentId)}`,
            lineItemSourcedId: COURSE_TOTAL,
            studentSourcedId: idText(studentId),
            scoreStatus: "fully graded",
            score: percent,
            scoreDate,
            comment: letter ?? "",
          },
        ],
  );
  return [...rows, ...totals];
}
