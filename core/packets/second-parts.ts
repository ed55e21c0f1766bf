import { pointsText, type StudentId } from "#core/kernel";
import {
  judgementOf,
  notesOf,
  recordAt,
  resultOf,
  rubricOf,
  type CourseState,
  type Packet,
  type SecondMark,
} from "#core/model";
import { figuresOf } from "#core/totals";
import { calledIn, placeOf, type Fields, type Part } from "./parts";

/** The id of a packet's second judgement of one paper. */
const markKey = ({ assignmentId, markerId }: Packet, studentId: StudentId): string =>
  `${assignmentId}/${studentId}/${markerId}`;

/** Fields of a second judgement that are no criterion's. */
const WHOLE = ["score", "comment", "notes"] as const;

/** Every part of the second judgements that a packet's state holds, under the names of the course. */
export function secondPartsOf(state: CourseState, packet: Packet): Map<string, Part> {
  const parts = packet.papers.flatMap(({ studentId, code }) => {
    const mark = markOf(state, packet, code);
    const table = "secondMarks" as const;
    return Object.keys(mark).map((field): Part => {
      const value = { [field]: mark[field] };
      return { table, id: markKey(packet, studentId), studentId, fields: [field], value };
    });
  });
  return new Map(parts.map((part) => [placeOf(part), part]));
}

/** What was given to one paper of the packet, by criterion. */
function markOf(state: CourseState, packet: Packet, code: StudentId): Fields {
  const assignment = state.assignments[packet.assignmentId];
  if (!assignment || !state.students[code]) return {};
  const called = calledIn(packet);
  const rubric = rubricOf(state, assignment);
  const criteria = (rubric?.criteria ?? []).map(({ id }) => {
    const { points, notApplicable, comment } = judgementOf(state, assignment.id, code, id);
    return [id, { points, notApplicable, comment }] as const;
  });
  const result = resultOf(state, assignment.id, code);
  const { first } = figuresOf(state).figure(assignment.id, code);
  const notes = notesOf(state, assignment.id, code);
  return {
    ...Object.fromEntries(criteria),
    score: rubric ? result.setByHand : first && pointsText(first),
    comment: result.overallComment,
    notes: notes.map(({ id, fileId, mark, target, criterionId, colour, body, createdAt }) => ({
      ...{ id, fileId: called.idOf(fileId), mark, target },
      ...{ criterionId, colour, body, createdAt },
    })),
  };
}

const OPEN = { points: null, notApplicable: false, comment: "" };

/** What a second judgement is before anybody has given one. */
export const blankMarkField = (field: string): unknown =>
  field === "notes" ? [] : field === "comment" ? "" : field === "score" ? null : OPEN;

/** What the course has of a second judgement in the place of a part. */
export function secondPartHere(state: CourseState, { id, fields }: Part): Fields {
  const stored = recordAt(state, "secondMarks", id);
  return Object.fromEntries(
    fields.map((field) => {
      if (!stored) return [field, blankMarkField(field)];
      if (WHOLE.some((one) => one === field)) return [field, stored[field as (typeof WHOLE)[number]]];
      const judged = stored.judgements.find(({ criterionId }) => criterionId === field);
      if (!judged) return [field, OPEN];
      const { points, notApplicable, comment } = judged;
      return [field, { points, notApplicable, comment }];
    }),
  );
}

/** A second judgement with some of its parts put in. */
export function markWith(state: CourseState, packet: Packet, studentId: StudentId, fields: Fields): SecondMark {
  const id = markKey(packet, studentId);
  const { assignmentId, markerId } = packet;
  const stored = recordAt(state, "secondMarks", id) ?? {
    ...{ id, assignmentId, studentId, markerId, judgements: [] },
    ...{ score: null, comment: "", notes: [] },
  };
  const whole = Object.fromEntries(Object.entries(fields).filter(([field]) => WHOLE.some((one) => one === field)));
  const judged = Object.entries(fields).filter(([field]) => !WHOLE.some((one) => one === field));
  const taken = new Set(judged.map(([field]) => field));
  return {
    ...stored,
    ...whole,
    judgements: [
      ...stored.judgements.filter(({ criterionId }) => !taken.has(criterionId)),
      ...judged.map(
        ([criterionId, given]) => ({ criterionId, ...(given as object) }) as SecondMark["judgements"][number],
      ),
    ],
  };
}
