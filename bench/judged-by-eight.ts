import { decimal, type AssignmentId, type Decimal, type Id } from "#core/kernel";
import { blankRecord, judgementKey, type Judgement, type Rubric, type Student } from "#core/model";
import { chance } from "../core/testing/naming-habits";

const id = <K extends string>(kind: K, name: string) => `${kind}:bench-${name}` as Id<K>;

/** A rubric of eight criteria with three levels each. */
export const EIGHT: Rubric = {
  id: id("rubric", "eight"),
  name: "Bench",
  proposal: "top",
  purpose: "score",
  scaled: true,
  criteria: Array.from({ length: 8 }, (_, at) => ({
    id: id("criterion", String(at)),
    name: `Criterion ${String(at + 1)}`,
    step: decimal("0.5"),
    asksEvidence: false,
    weight: null,
    levels: [0, 1, 2].map((level) => ({
      id: id("level", `${String(at)}-${String(level)}`),
      name: `Level ${String(level + 1)}`,
      min: decimal(String(level * 4)),
      max: decimal(String(level * 4 + 3.5)),
      descriptor: "",
    })),
  })),
};

/** The work of these students judged by it, each criterion in half points. */
export function judgedByEight(assignmentId: AssignmentId, students: readonly Student[]): Judgement[] {
  const next = chance(5);
  return students.flatMap((student) =>
    EIGHT.criteria.map((criterion) => ({
      ...blankRecord("judgements", judgementKey(assignmentId, student.id, criterion.id)),
      points: String(next(24) / 2) as Decimal,
    })),
  );
}
