import { z } from "zod/mini";
import { refuse } from "#core/kernel";
import { idField, scalingSchema, type Scaling } from "#core/model";
import { checkScaling } from "#core/scoring";
import type { CommandKind } from "../../engine/change";
import { assignmentAt, finish, put } from "../../engine/command-parts";

const input = z.object({ assignmentId: idField("assignment"), scaling: z.nullable(scalingSchema) });

const WORDS: Readonly<Record<Scaling["kind"], string>> = {
  add: "points added",
  linear: "scaled along a line",
  squareRoot: "scaled by square root",
  tScore: "scaled to T scores",
};

/** Scales a whole assignment, or takes that back; the scores it rests on stay as they were given (handbook, section 10). */
export const scaleAssignment: CommandKind<z.infer<typeof input>> = {
  input,
  prepare: (state, { assignmentId, scaling }) => {
    const found = assignmentAt(state, assignmentId);
    if (!found.ok) return found;
    if (scaling) {
      const checked = checkScaling(scaling);
      if (!checked.ok) return refuse(checked.issue);
    }
    const words = scaling ? WORDS[scaling.kind] : "scaling taken back";
    return finish(`${found.value.name}: ${words}`, put(state, "assignments", { ...found.value, scaling }));
  },
};
