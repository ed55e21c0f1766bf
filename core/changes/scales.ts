import { z } from "zod";
import { decimalField, nameField } from "#core/model";
import { refuse, type Id } from "#core/kernel";
import { letterOutOfOrder } from "#core/totals";
import type { CommandKind } from "./change";
import { finish, put } from "./draft";

const scaleInput = z.object({
  name: nameField,
  kind: z.enum(["passNotYet", "attainment", "words"]),
  levels: z
    .array(z.object({ name: nameField, percent: decimalField.nullable() }))
    .min(1)
    .max(20),
});

/** Adds a scale of levels. Where levels have point values, these fall from the first to the last. */
export const addScale: CommandKind<z.infer<typeof scaleInput>> = {
  input: scaleInput,
  prepare: (state, { levels, ...fields }, { fresh }) => {
    if (Object.values(state.scales).some(({ name }) => name === fields.name)) {
      return refuse({ code: "name_taken", name: fields.name });
    }
    const bands = levels.flatMap(({ name, percent }) => (percent === null ? [] : [{ letter: name, from: percent }]));
    const letter = letterOutOfOrder(bands);
    if (letter !== null) return refuse({ code: "bands_not_falling", letter });
    const record = {
      ...fields,
      id: `scale:${fresh()}` as Id<"scale">,
      levels: levels.map((level) => ({ ...level, id: `level:${fresh()}` as Id<"level"> })),
    };
    return finish(`Scale ${fields.name} added`, put(state, "scales", record));
  },
};
