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

/** Which paper is judged by what, and when. */
interface Judged {
  readonly at: string;
  readonly slug: string;
  readonly rubric: Rubric;
  /** Moves the spread, so that two assignments differ. */
  readonly salt: number;
}

/** Judges every criterion of a paper by the fixed spread. */
export function judgeByRubric(pen: Pen, person: DemoPerson, { at, slug, rubric, salt }: Judged): void {
  rubric.criteria.forEach((criterion, place) => {
    pen.run(at, {
      type: "judge",
      assignmentId: assignment(slug),
      studentId: student(person.slug),
      criterionId: criterion.id,
      verdict: { kind: "points", text: pointsFor(criterion, PEOPLE.indexOf(person), salt + place) },
    });
  });
}
