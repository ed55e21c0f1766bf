import { z } from "zod";
import { refuse } from "#core/kernel";
import { idField, resultOf, rosterName, rubricOf, zoneSchema } from "#core/model";
import { counted } from "#core/words";
import type { CommandKind } from "../../engine/change";
import { assignmentAt, finish, put, studentAt } from "../../engine/command-parts";

const input = z.object({
  assignmentId: idField("assignment"),
  criterionId: idField("criterion"),
  /** The one paper that is mended; null: all papers. */
  studentId: idField("student").nullable(),
  /** Takes the place of what was there; none takes it back. */
  zones: z.array(zoneSchema.omit({ criterionId: true })).max(20),
});

/** Says where on the papers of an assignment a criterion is answered, or where on one that lies differently. */
export const setZones: CommandKind<z.infer<typeof input>> = {
  input,
  prepare: (state, { assignmentId, criterionId, studentId, zones }) => {
    const assignment = assignmentAt(state, assignmentId);
    if (!assignment.ok) return assignment;
    const criterion = rubricOf(state, assignment.value)?.criteria.find(({ id }) => id === criterionId);
    if (!criterion) return refuse({ code: "unknown_record", what: "criterion", id: criterionId });
    const beyond = zones.find(({ x, y, width, height }) => x + width > 1 + 1e-9 || y + height > 1 + 1e-9);
    if (beyond) return refuse({ code: "zone_beyond_page", page: beyond.page });
    const made = zones.map((zone) => ({ ...zone, criterionId }));
    const renewed = <Zone extends { readonly criterionId: string }>(before: readonly Zone[]) => [
      ...before.filter((zone) => zone.criterionId !== criterionId),
      ...made,
    ];
    const words = zones.length === 0 ? "no zone" : counted(zones.length, "zone");
    if (studentId === null) {
      const all = renewed(assignment.value.zones);
      return finish(
        `${assignment.value.name}, ${criterion.name}: ${words}`,
        put(state, "assignments", { ...assignment.value, zones: all }),
      );
    }
    const student = studentAt(state, studentId);
    if (!student.ok) return student;
    const result = resultOf(state, assignmentId, studentId);
    return finish(
      `${rosterName(state, student.value)}, ${assignment.value.name}, ${criterion.name}: ${words} of its own`,
      put(state, "results", { ...result, zones: renewed(result.zones) }),
    );
  },
};
