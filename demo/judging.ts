import { required, type Id } from "#core/kernel";
import type { Rubric } from "#core/model";
import type { Pen } from "./pen";
import { PEOPLE, type DemoPerson } from "./people";

/** Ids as the demo makes them. */
export const student = (slug: string) => `student:${slug}` as Id<"student">;
export const assignment = (slug: string) => `assignment:${slug}` as Id<"assignment">;

/** A fixed spread of numbers from 0 to 1 that looks like chance and is the same every time. */
export const spread = (index: number, salt: number): number => ((index * 7919 + salt * 104_729 + 13) % 997) / 997;

/** Points for a criterion on the half point: a student keeps a level of their own and varies around it. */
function pointsFor(criterion: Rubric["criteria"][number], index: number, salt: number): string {
  const maximum = Number(required(criterion.levels.at(-1), "level").max);
  const share = 0.52 + 0.34 * spread(index, 1) + 0.14 * spread(index, salt);
  const points = Math.min(maximum, Math.round(share * maximum * 2) / 2);
  const gap = criterion.levels.every((level) => points < Number(level.min) || points > Number(level.max));
  return String(gap ? points + 0.5 : points);
}

/** A moment so many minutes after another. */
export const later = (at: string, minutes: number): string =>
  new Date(Date.parse(at) + minutes * 60_000).toISOString().replace(".000Z", "Z");

/** Which paper is judged by what, and when. */
interface Judged {
  readonly at: string;
  readonly slug: string;
  readonly rubric: Rubric;
  /** Moves the spread, so that two assignments differ. */
  readonly salt: number;
}

const pointsOf = (person: DemoPerson, { rubric, salt }: Judged, place: number): string =>
  pointsFor(required(rubric.criteria[place], "criterion"), PEOPLE.indexOf(person), salt + place);

function judgeCriterion(pen: Pen, person: DemoPerson, judged: Judged, place: number): void {
  pen.run(judged.at, {
    type: "judge",
    assignmentId: assignment(judged.slug),
    studentId: student(person.slug),
    criterionId: required(judged.rubric.criteria[place], "criterion").id,
    verdict: { kind: "points", text: pointsOf(person, judged, place) },
  });
}

/** Judges every criterion of a paper by the fixed spread. */
export function judgeByRubric(pen: Pen, person: DemoPerson, judged: Judged): void {
  judged.rubric.criteria.forEach((_, place) => {
    judgeCriterion(pen, person, judged, place);
  });
}

/**
 * Judges all papers criterion by criterion by the fixed spread. One criterion meets the papers in such an order that its
 * points fall towards the end, as where a marker becomes stricter; the points themselves are those of the spread.
 */
export function judgeOverAll(pen: Pen, judged: Judged, falling: number): void {
  judged.rubric.criteria.forEach((_, place) => {
    const order =
      place === falling
        ? [...PEOPLE].sort((a, b) => Number(pointsOf(b, judged, place)) - Number(pointsOf(a, judged, place)))
        : PEOPLE;
    for (const person of order) judgeCriterion(pen, person, judged, place);
  });
}
