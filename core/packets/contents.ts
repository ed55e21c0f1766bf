import type { PostId, StudentId } from "#core/kernel";
import {
  blankRecord,
  cutAt,
  groupOf,
  recordsOf,
  rubricOf,
  outcomeRubricOf,
  type Assignment,
  type CourseState,
  type RecordOf,
  type ResultRecord,
  type TableName,
} from "#core/model";
import type { BlindNames } from "./blind-names";
import { covered } from "./covered";

/** A record as it goes into a packet. */
export interface Copied {
  readonly table: TableName;
  readonly record: RecordOf<TableName>;
}

/** What a packet is made from; `names` is null where it is not blind. */
export interface PacketSource {
  readonly state: CourseState;
  readonly assignment: Assignment;
  readonly studentIds: readonly StudentId[];
  readonly names: BlindNames | null;
}

export const copied = <T extends TableName>(table: T, record: RecordOf<T>): Copied => ({ table, record });

/** The assignment with its rubrics, scales and questions, in the one category that it needs. */
export function planOf({ state, assignment }: PacketSource): Copied[] {
  const category = state.categories[assignment.categoryId];
  const scaleIds = new Set([
    assignment.outcomeScaleId,
    assignment.scoredIn.kind === "scale" ? assignment.scoredIn.scaleId : null,
  ]);
  const rubrics = [rubricOf(state, assignment), outcomeRubricOf(state, assignment)];
  const questions = recordsOf(state, "questions").filter(({ assignmentId }) => assignmentId === assignment.id);
  return [
    ...(category ? [copied("categories", { ...category, parentId: null, termWeight: null })] : []),
    ...Object.values(state.scales)
      .filter(({ id }) => scaleIds.has(id))
      .map((scale) => copied("scales", scale)),
    ...rubrics.filter((rubric) => rubric !== null).map((rubric) => copied("rubrics", rubric)),
    copied("assignments", { ...assignment, scaling: null, held: false, heldReason: "", hidden: false }),
    ...questions.map((question) => copied("questions", question)),
  ];
}

const ofAssignment = <T extends "handIns" | "results" | "judgements" | "answers">(
  { state, assignment, studentIds }: PacketSource,
  table: T,
): RecordOf<T>[] => {
  const chosen = new Set(studentIds);
  const records: RecordOf<T>[] = Object.values(cutAt(state, table, assignment.id) ?? {});
  return records.filter(({ studentId }) => chosen.has(studentId));
};

/** The students of the packet and what they handed in; of the judgement only who is missing or excused. */
export function workOf(from: PacketSource): Copied[] {
  const { state, assignment, studentIds, names } = from;
  const called = (id: StudentId) => names?.studentCalled(id) ?? id;
  const key = (id: StudentId) => `${assignment.id}/${called(id)}`;
  const students = studentIds.flatMap((id) => {
    const student = state.students[id];
    return student ? [names?.student(id) ?? { ...student, note: "", email: "" }] : [];
  });
  const sectionIds = new Set(students.map(({ sectionId }) => sectionId));
  const handIns = ofAssignment(from, "handIns").map((handIn) => ({
    ...handIn,
    id: key(handIn.studentId),
    studentId: called(handIn.studentId),
    attempts: handIn.attempts.map((attempt) => ({
      ...attempt,
      files: names ? attempt.files.map(names.fileCalled) : attempt.files,
    })),
  }));
  const standings = ofAssignment(from, "results").map(({ studentId, decision, zones }): ResultRecord => ({
    ...blankRecord("results", key(studentId)),
    decision,
    zones,
  }));
  const answers = ofAssignment(from, "answers").map((answer) => ({
    ...answer,
    id: `${key(answer.studentId)}/${answer.questionId}`,
    studentId: called(answer.studentId),
    text: names ? covered(answer.text, names.writersOf(answer.studentId)) : answer.text,
    points: null,
    comment: "",
  }));
  return [
    ...Object.values(state.sections)
      .filter(({ id }) => sectionIds.has(id))
      .map((section) => copied("sections", section)),
    ...students.map((student) => copied("students", student)),
    ...groupsOf(from, called),
    ...postsOf(from, called),
    ...handIns.map((handIn) => copied("handIns", handIn)),
    ...standings
      .filter(({ decision, zones }) => decision !== null || zones.length > 0)
      .map((standing) => copied("results", standing)),
    ...answers.map((answer) => copied("answers", answer)),
  ];
}

type Called = (id: StudentId) => StudentId;

function groupsOf({ state, assignment, studentIds, names }: PacketSource, called: Called, scored = false): Copied[] {
  const groups = new Set(studentIds.flatMap((id) => groupOf(state, assignment.id, id) ?? []));
  return [...groups].map((group, place) =>
    copied("groups", {
      ...group,
      ...(names && {
        id: names.groups.find(({ id }) => id === group.id)?.code ?? group.id,
        name: `Group ${String(place + 1)}`,
      }),
      memberIds: group.memberIds.filter((id) => studentIds.includes(id)).map(called),
      score: scored ? group.score : null,
    }),
  );
}

/** Posts of the chosen students; what answers somebody else's begins a thread of its own. */
function postsOf({ state, assignment, studentIds, names }: PacketSource, called: Called): Copied[] {
  const chosen = new Set(studentIds);
  const posts = recordsOf(state, "posts").filter(
    ({ assignmentId, studentId }) => assignmentId === assignment.id && chosen.has(studentId),
  );
  const ids = new Map(posts.map(({ id }, place) => [id, names ? (`post:${String(place + 1)}` as PostId) : id]));
  return posts.map((post) =>
    copied("posts", {
      ...post,
      id: ids.get(post.id) ?? post.id,
      studentId: called(post.studentId),
      text: names ? covered(post.text, names.everyone) : post.text,
      replyTo: post.replyTo && (ids.get(post.replyTo) ?? null),
    }),
  );
}

/** All that was judged so far, for a marker who goes on with it; never private notes, and nothing that holds it back. */
export function judgedBefore(from: PacketSource): Copied[] {
  const { state, assignment, studentIds } = from;
  const chosen = new Set(studentIds);
  const notes = recordsOf(state, "notes").filter(
    ({ assignmentId, studentId }) => assignmentId === assignment.id && chosen.has(studentId),
  );
  const markers = new Set(notes.map(({ by }) => by));
  return [
    ...Object.values(state.markers)
      .filter(({ id }) => markers.has(id))
      .map((marker) => copied("markers", marker)),
    ...ofAssignment(from, "results").map((result) =>
      copied("results", { ...result, held: false, heldReason: "", privateNote: "" }),
    ),
    ...ofAssignment(from, "judgements").map((judgement) => copied("judgements", { ...judgement, privateNote: "" })),
    ...ofAssignment(from, "answers").map((answer) => copied("answers", answer)),
    ...groupsOf(from, (id) => id, true),
    ...notes.map((note) => copied("notes", note)),
  ];
}
