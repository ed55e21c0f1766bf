import { z } from "zod/mini";
import { takenFiles } from "#core/collect";
import { ok, refuse, type AssignmentId, type Result } from "#core/kernel";
import {
  fileSchema,
  handInOf,
  idField,
  instantField,
  ownHandInOf,
  resultKey,
  type CourseState,
  type HandIn,
} from "#core/model";
import { counted } from "#core/words";
import type { ChangeIssue, CommandKind } from "../../engine/change";
import { finish, paperAt, put } from "../../engine/command-parts";
import { noLongerMissing } from "./no-longer-missing";

const input = z.object({
  /** In the order in which they came: of two of one student, the later one is the later attempt. */
  handIns: z
    .array(
      z.object({
        assignmentId: idField("assignment"),
        studentId: idField("student"),
        at: z.nullable(instantField),
        /** Already kept by storage under their ids. */
        files: z.array(fileSchema).check(z.minLength(1), z.maxLength(50)),
        /** More files of what the student handed in last, in place of a further attempt. */
        joins: z.boolean(),
      }),
    )
    .check(z.minLength(1), z.maxLength(5_000)),
});
type Taken = z.infer<typeof input>["handIns"][number];

/** Takes in what came of a class, as one change. */
export const takeIn: CommandKind<z.infer<typeof input>> = {
  input,
  prepare: (state, { handIns }) => {
    // Taken in twice, as from two tabs, a file would be two attempts.
    const known = new Set<string>(takenFiles(state));
    const records = new Map<string, HandIn>();
    for (const taken of handIns) {
      const next = withOne(state, records, known, taken);
      if (!next.ok) return next;
      records.set(next.value.id, next.value);
      for (const { id } of taken.files) known.add(id);
    }
    return finish(
      lineOf(state, handIns),
      ...[...records.values()].map((record) => put(state, "handIns", record)),
      ...noLongerMissing(state, records.values()),
    );
  },
};

function withOne(
  state: CourseState,
  records: ReadonlyMap<string, HandIn>,
  known: ReadonlySet<string>,
  { assignmentId, studentId, at, files, joins }: Taken,
): Result<HandIn, ChangeIssue> {
  const paper = paperAt(state, { assignmentId, studentId });
  if (!paper.ok) return paper;
  const again = files.find(({ id }) => known.has(id));
  if (again) return refuse({ code: "file_taken_in", name: again.name });
  // More files of what a group handed in lie with whoever of the group handed it in.
  const ownerId = (joins ? handInOf(state, assignmentId, studentId)?.studentId : null) ?? studentId;
  const id = resultKey(assignmentId, ownerId);
  const attempts = (records.get(id) ?? ownHandInOf(state, assignmentId, ownerId))?.attempts ?? [];
  const last = attempts.at(-1);
  const grown =
    joins && last
      ? [...attempts.slice(0, -1), { ...last, files: [...last.files, ...files] }]
      : [...attempts, { number: (last?.number ?? 0) + 1, at, files }];
  return ok({ id, assignmentId, studentId: ownerId, attempts: grown });
}

function lineOf(state: CourseState, handIns: readonly Taken[]): string {
  const assignments = [...new Set(handIns.map(({ assignmentId }) => assignmentId))];
  const [only] = assignments;
  const where = (id: AssignmentId) => state.assignments[id]?.name ?? "";
  const what = `${counted(handIns.length, "hand-in")} taken in`;
  return assignments.length === 1 && only ? `${where(only)}: ${what}` : `${what}: ${assignments.map(where).join(", ")}`;
}
