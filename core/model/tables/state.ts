import type { z } from "zod/mini";
import { asideSchema } from "../records/aside";
import { moderationSchema, secondMarkSchema, type Moderation, type SecondMark } from "../records/moderation";
import type { AssignmentId, CriterionId, MarkerId, QuestionId, StudentId } from "#core/kernel";
import { keptBy, required } from "#core/kernel";
import { blankRecord } from "./blank";
import { courseSchema, termSchema, type Course, type Term } from "../records/course";
import {
  byName,
  markerSchema,
  sectionSchema,
  studentSchema,
  type NamesBy,
  type Student,
  type Section,
} from "../records/people";
import {
  assignmentSchema,
  categorySchema,
  rubricSchema,
  scaleSchema,
  type Assignment,
  type Category,
  type Rubric,
  type Scale,
} from "../records/plan";
import {
  copySchema,
  releaseSchema,
  totalCopiesSchema,
  totalSealSchema,
  type Facet,
  type Release,
  type StudentCopy,
  type TotalCopies,
  type TotalSeal,
} from "../records/release";
import {
  deliverySchema,
  gradeExportSchema,
  mailSchema,
  openingSchema,
  type Delivery,
  type GradeExport,
  type Mail,
} from "../records/mailing";
import { messageSchema, type Message } from "../records/message";
import { packetSchema } from "../records/packet";
import { phraseSchema } from "../records/phrase";
import { postSchema, type Post } from "../records/post";
import { answerSchema, questionSchema, type Answer, type Question } from "../records/question";
import { cutAt, type CutTable } from "./tables";
import { groupSchema, handInSchema, judgementSchema, noteSchema, resultSchema } from "../records/work";
import type { Group, HandIn, Judgement, Note, ResultRecord } from "../records/work";

/** The schema of each table of a course; a course is nothing but these tables. */
export const tableSchemas = {
  courses: courseSchema,
  sections: sectionSchema,
  markers: markerSchema,
  students: studentSchema,
  terms: termSchema,
  categories: categorySchema,
  scales: scaleSchema,
  rubrics: rubricSchema,
  assignments: assignmentSchema,
  groups: groupSchema,
  handIns: handInSchema,
  results: resultSchema,
  judgements: judgementSchema,
  notes: noteSchema,
  releases: releaseSchema,
  totalSeals: totalSealSchema,
  copies: copySchema,
  phrases: phraseSchema,
  messages: messageSchema,
  posts: postSchema,
  questions: questionSchema,
  answers: answerSchema,
  totalCopies: totalCopiesSchema,
  mails: mailSchema,
  openings: openingSchema,
  deliveries: deliverySchema,
  gradeExports: gradeExportSchema,
  asides: asideSchema,
  moderations: moderationSchema,
  secondMarks: secondMarkSchema,
  packets: packetSchema,
} as const;

/** The name of a table of a course. */
export type TableName = keyof typeof tableSchemas;
/** The record that a table holds. */
export type RecordOf<T extends TableName> = z.infer<(typeof tableSchemas)[T]>;
/** All tables of a course; never changed, only replaced. */
export type CourseState = {
  readonly [T in TableName]: Readonly<
    Record<string, T extends CutTable ? Readonly<Record<string, RecordOf<T>>> : RecordOf<T>>
  >;
};

/** All tables, in the order they are written. */
export const TABLE_NAMES = Object.keys(tableSchemas) as TableName[];

/** A course before its first change. */
export const EMPTY_STATE: CourseState = {
  courses: {},
  sections: {},
  markers: {},
  students: {},
  terms: {},
  categories: {},
  scales: {},
  rubrics: {},
  assignments: {},
  groups: {},
  handIns: {},
  results: {},
  judgements: {},
  notes: {},
  releases: {},
  totalSeals: {},
  copies: {},
  phrases: {},
  messages: {},
  posts: {},
  questions: {},
  answers: {},
  totalCopies: {},
  mails: {},
  openings: {},
  deliveries: {},
  gradeExports: {},
  asides: {},
  moderations: {},
  secondMarks: {},
  packets: {},
};

/** The id of what is known of one student and one assignment. */
export const resultKey = (assignmentId: AssignmentId, studentId: StudentId): string => `${assignmentId}/${studentId}`;

/** The id of one criterion's judgement on one paper. */
export const judgementKey = (assignmentId: AssignmentId, studentId: StudentId, criterionId: CriterionId): string =>
  `${assignmentId}/${studentId}/${criterionId}`;

/** Second marking of an assignment; undefined where there is none. */
export const moderationOf = (state: CourseState, a: AssignmentId): Moderation | undefined => state.moderations[a];

/** The second judgement of a paper, by the one who marks its sample or by another marker; undefined where there is none. */
export const secondMarkOf = (
  state: CourseState,
  a: AssignmentId,
  s: StudentId,
  marker: MarkerId | undefined = state.moderations[a]?.markerId,
): SecondMark | undefined => marker && state.secondMarks[`${a}/${s}/${marker}`];

/** Who has judged papers of an assignment a second time, the marker of its sample first. */
export function secondMarkersOf(state: CourseState, a: AssignmentId): readonly MarkerId[] {
  const own = state.moderations[a]?.markerId;
  const others = Object.values(state.secondMarks).flatMap((mark) => (mark.assignmentId === a ? [mark.markerId] : []));
  return [...new Set([...(own ? [own] : []), ...others])];
}

const releaseKey = (assignmentId: AssignmentId, facet: Facet): string => `${assignmentId}/${facet}`;

/** The course record itself. @throws RangeError on a state without one, which storage never hands out. */
export const courseOf = (state: CourseState): Course => required(Object.values(state.courses)[0], "course");

/** Which part of a name comes first in the lists of a course. */
export const namesBy = ({ courses }: Pick<CourseState, "courses">): NamesBy =>
  Object.values(courses)[0]?.namesBy ?? "given";

/** The roster in the order it is read out, without those who have left; sorted once for each table of students. */
export const studentsOf = keptBy({
  owner: ({ students }: CourseState) => students,
  part: namesBy,
  make: (_, state): readonly Student[] =>
    Object.values(state.students)
      .filter(({ left }) => !left)
      .sort(byName(namesBy(state))),
});

/** Students who have left the course and can return, in the order of the roster. */
export const leftStudentsOf = (state: CourseState): Student[] =>
  Object.values(state.students)
    .filter(({ left }) => left)
    .sort(byName(namesBy(state)));

/** Categories in the order of the plan. */
export const categoriesOf = (state: Pick<CourseState, "categories">): Category[] =>
  Object.values(state.categories).sort((a, b) => a.order - b.order);

/** Terms in their order. */
export const termsOf = (state: Pick<CourseState, "terms">): Term[] =>
  Object.values(state.terms).sort((a, b) => a.order - b.order);

const groupsByPaper = keptBy({
  owner: (groups: CourseState["groups"]) => groups,
  make: (_, groups): ReadonlyMap<string, Group> =>
    new Map(
      Object.values(groups).flatMap((group) =>
        group.memberIds.map((member) => [resultKey(group.assignmentId, member), group] as const),
      ),
    ),
});

/** The group that a student belongs to for an assignment. */
export const groupOf = (state: CourseState, a: AssignmentId, s: StudentId): Group | undefined =>
  groupsByPaper(state.groups).get(resultKey(a, s));

/** Assignments in the order of the plan: by category, then within it. */
export const assignmentsOf = (state: CourseState): Assignment[] => {
  const place = new Map(categoriesOf(state).map((category, index) => [category.id, index]));
  return Object.values(state.assignments).sort(
    (a, b) => (place.get(a.categoryId) ?? 0) - (place.get(b.categoryId) ?? 0) || a.order - b.order,
  );
};

/** The rubric of an assignment, or null. */
export const rubricOf = (state: CourseState, assignment: Assignment): Rubric | null =>
  assignment.rubricId === null ? null : (state.rubrics[assignment.rubricId] ?? null);

/** The rubric that records attainment of outcomes beside the score, or null. It is never the one the score comes from. */
export const outcomeRubricOf = (state: CourseState, { rubricId, outcomeRubricId }: Assignment): Rubric | null =>
  outcomeRubricId === null || outcomeRubricId === rubricId ? null : (state.rubrics[outcomeRubricId] ?? null);

/** The scale on which a level is given beside the points, or null. */
export const outcomeScaleOf = (state: CourseState, { outcomeScaleId }: Assignment): Scale | null =>
  outcomeScaleId === null ? null : (state.scales[outcomeScaleId] ?? null);

/** What a student handed in for an assignment themselves, if anything. */
export const ownHandInOf = (state: CourseState, a: AssignmentId, s: StudentId): HandIn | undefined =>
  cutAt(state, "handIns", a)?.[resultKey(a, s)];

/** What was handed in for a student, if anything: their own, or that of another member of their group. */
export function handInOf(state: CourseState, a: AssignmentId, s: StudentId): HandIn | undefined {
  const own = ownHandInOf(state, a, s);
  if (own) return own;
  const mate = groupOf(state, a, s)?.memberIds.find((member) => ownHandInOf(state, a, member));
  return mate && ownHandInOf(state, a, mate);
}

/** A student with the others of their group, in its order; the student alone where they work alone. */
export const groupMembers = (state: CourseState, a: AssignmentId, s: StudentId): readonly StudentId[] =>
  groupOf(state, a, s)?.memberIds ?? [s];

/** The questions of an assignment in their order. */
export const questionsOf = (state: CourseState, a: AssignmentId): readonly Question[] =>
  questionsByAssignment(state.questions).get(a) ?? [];

/** The stored answer, or the blank one. */
export const answerOf = (state: CourseState, a: AssignmentId, s: StudentId, q: QuestionId): Answer => {
  const id = `${a}/${s}/${q}`;
  return cutAt(state, "answers", a)?.[id] ?? blankRecord("answers", id);
};

/** The conversation on one paper, oldest first. */
export const messagesOf = (state: CourseState, a: AssignmentId, s: StudentId): readonly Message[] =>
  messagesByPaper(state.messages).get(resultKey(a, s)) ?? [];

/** The posts of a discussion, oldest first; posts without a time stand first, in the order they came in. */
export const postsOf = (state: CourseState, a: AssignmentId): readonly Post[] =>
  postsByAssignment(state.posts).get(a) ?? [];

/** The stored result, or the blank one every student starts with. */
export const resultOf = (state: CourseState, a: AssignmentId, s: StudentId): ResultRecord =>
  cutAt(state, "results", a)?.[resultKey(a, s)] ?? blankRecord("results", resultKey(a, s));

/** The stored judgement, or the blank one every criterion starts with. */
export const judgementOf = (state: CourseState, a: AssignmentId, s: StudentId, c: CriterionId): Judgement =>
  cutAt(state, "judgements", a)?.[judgementKey(a, s, c)] ?? blankRecord("judgements", judgementKey(a, s, c));

/** The seal of a facet; sealed where nothing is stored. */
export const releaseOf = (state: CourseState, a: AssignmentId, facet: Facet): Release =>
  state.releases[releaseKey(a, facet)] ?? blankRecord("releases", releaseKey(a, facet));

/** The seal of a total: `course`, a category or a term. */
export const totalSealOf = (state: CourseState, id: string): TotalSeal =>
  state.totalSeals[id] ?? { id, state: "sealed", at: null, shows: "percent" };

/** The totals a student was given, in the order they were given out. */
export const totalCopiesOf = (state: CourseState, s: StudentId): TotalCopies["totals"] =>
  state.totalCopies[s]?.totals ?? [];

const newestFirst = <T extends { readonly at: string; readonly id: string }>(records: Readonly<Record<string, T>>) =>
  Object.values(records).sort((a, b) => b.at.localeCompare(a.at) || b.id.localeCompare(a.id));

/** What was mailed, the newest first. */
export const mailsOf = (state: CourseState): Mail[] => newestFirst(state.mails);

/** What left the application, the newest first. */
export const deliveriesOf = (state: CourseState): Delivery[] => newestFirst(state.deliveries);

/** Final grades as they were exported, the newest first. */
export const gradeExportsOf = (state: CourseState): GradeExport[] => newestFirst(state.gradeExports);

/** The sections of the roster, in their order. */
export const sectionsOf = (state: Pick<CourseState, "sections">): Section[] =>
  Object.values(state.sections).sort((a, b) => a.order - b.order);

/** The fixed copy of a student, or the blank one. */
export const copyOf = (state: CourseState, a: AssignmentId, s: StudentId): StudentCopy =>
  cutAt(state, "copies", a)?.[resultKey(a, s)] ?? blankRecord("copies", resultKey(a, s));

/** Looks a table up by paper or assignment, as every screen does, with an index that lives as long as the table. */
const indexedBy = <T extends object>(keyOf: (record: T) => string, order?: (a: T, b: T) => number) =>
  keptBy({
    owner: (table: Readonly<Record<string, T>>) => table,
    make: (_, table): ReadonlyMap<string, readonly T[]> => {
      const index = new Map<string, T[]>();
      for (const record of Object.values(table)) {
        const key = keyOf(record);
        const list = index.get(key);
        if (list) list.push(record);
        else index.set(key, [record]);
      }
      if (order) for (const list of index.values()) list.sort(order);
      return index;
    },
  });

const paperKey = ({ assignmentId, studentId }: { assignmentId: AssignmentId; studentId: StudentId }): string =>
  resultKey(assignmentId, studentId);
const assignmentKey = ({ assignmentId }: { assignmentId: AssignmentId }): string => assignmentId;

const notesByPaper = indexedBy<Note>(paperKey);
const messagesByPaper = indexedBy<Message>(paperKey, (x, y) => (x.at < y.at ? -1 : 1));
const postsByAssignment = indexedBy<Post>(assignmentKey, (x, y) => (x.at ?? "").localeCompare(y.at ?? ""));
const questionsByAssignment = indexedBy<Question>(assignmentKey, (x, y) => x.order - y.order);

/** The notes on one paper, oldest first: the student's own, and those for their whole group. */
export function notesOf(state: CourseState, assignmentId: AssignmentId, studentId: StudentId): readonly Note[] {
  const index = notesByPaper(state.notes);
  const own = index.get(resultKey(assignmentId, studentId)) ?? [];
  const mates = groupMembers(state, assignmentId, studentId).filter((member) => member !== studentId);
  const shared = mates.flatMap(
    (mate) => index.get(resultKey(assignmentId, mate))?.filter((note) => note.forGroup) ?? [],
  );
  if (shared.length === 0) return own;
  return [...own, ...shared].sort((a, b) => a.createdAt.localeCompare(b.createdAt));
}
