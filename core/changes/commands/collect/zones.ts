import { z } from "zod/mini";
import { refuse } from "#core/kernel";
import {
  idField,
  questionsOf,
  resultOf,
  rosterName,
  rubricOf,
  zoneSchema,
  type Assignment,
  type CourseState,
  type Zone,
  type ZoneTarget,
} from "#core/model";
import { counted } from "#core/words";
import type { CommandKind } from "../../engine/change";
import { assignmentAt, finish, put, studentAt } from "../../engine/command-parts";

const input = z.object({
  assignmentId: idField("assignment"),
  of: zoneSchema.shape.of,
  /** The one paper that is mended; null: all papers. */
  studentId: z.nullable(idField("student")),
  /** Takes the place of what was there; none takes it back. */
  zones: z.array(z.omit(zoneSchema, { of: true })).check(z.maxLength(20)),
});

/** Says where on the papers of an assignment a criterion or a question is answered, or where on one that lies differently. */
export const setZones: CommandKind<z.infer<typeof input>> = {
  input,
  prepare: (state, { assignmentId, of, studentId, zones }) => {
    const assignment = assignmentAt(state, assignmentId);
    if (!assignment.ok) return assignment;
    const name = nameOfTarget(state, assignment.value, of);
    if (name === null) {
      const what = of.startsWith("question:") ? "question" : "criterion";
      return refuse({ code: "unknown_record", what, id: of });
    }
    const beyond = zones.find(({ x, y, width, height }) => x + width > 1 + 1e-9 || y + height > 1 + 1e-9);
    if (beyond) return refuse({ code: "zone_beyond_page", page: beyond.page });
    const made = zones.map((zone) => ({ ...zone, of }));
    const renewed = (before: readonly Zone[]): Zone[] => [...before.filter((zone) => zone.of !== of), ...made];
    const words = zones.length === 0 ? "no zone" : counted(zones.length, "zone");
    if (studentId === null) {
      const all = renewed(assignment.value.zones);
      return finish(
        `${assignment.value.name}, ${name}: ${words}`,
        put(state, "assignments", { ...assignment.value, zones: all }),
      );
    }
    const student = studentAt(state, studentId);
    if (!student.ok) return student;
    const result = resultOf(state, assignmentId, studentId);
    return finish(
      `${rosterName(state, student.value)}, ${assignment.value.name}, ${name}: ${words} of its own`,
      put(state, "results", { ...result, zones: renewed(result.zones) }),
    );
  },
};

function nameOfTarget(state: CourseState, assignment: Assignment, of: ZoneTarget): string | null {
  const criterion = rubricOf(state, assignment)?.criteria.find(({ id }) => id === of);
  if (criterion) return criterion.name;
  const place = questionsOf(state, assignment.id).findIndex(({ id }) => id === of);
  return place < 0 ? null : `question ${String(place + 1)}`;
}
