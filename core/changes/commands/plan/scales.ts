import { z } from "zod/mini";
import { type CourseState, decimalField, idField, nameField, recordsOf, type Scale, usesOfScale } from "#core/model";
import { refuse, type Id } from "#core/kernel";
import { letterOutOfOrder } from "#core/totals";
import type { ChangeIssue, CommandKind } from "../../engine/change";
import { finish, put, remove } from "../../engine/command-parts";

const scaleInput = z.object({
  name: nameField,
  kind: z.enum(["passNotYet", "attainment", "words"]),
  levels: z
    .array(z.object({ name: nameField, percent: z.nullable(decimalField) }))
    .check(z.minLength(1), z.maxLength(20)),
});

type ScaleInput = z.infer<typeof scaleInput>;

/** Why a scale cannot be as it is wished; null where it can. */
function scaleFault(state: CourseState, { name, levels }: ScaleInput, own?: Scale["id"]): ChangeIssue | null {
  if (Object.values(state.scales).some((other) => other.name === name && other.id !== own)) {
    return { code: "name_taken", name };
  }
  const bands = levels.flatMap((level) =>
    level.percent === null ? [] : [{ letter: level.name, from: level.percent }],
  );
  const letter = letterOutOfOrder(bands);
  return letter === null ? null : { code: "bands_not_falling", letter };
}

/** Adds a scale of levels. Where levels have point values, these fall from the first to the last. */
export const addScale: CommandKind<ScaleInput> = {
  input: scaleInput,
  prepare: (state, input, { fresh }) => {
    const fault = scaleFault(state, input);
    if (fault) return refuse(fault);
    const record = {
      ...input,
      id: `scale:${fresh()}` as Id<"scale">,
      levels: input.levels.map((level) => ({ ...level, id: `level:${fresh()}` as Id<"level"> })),
    };
    return finish(`Scale ${input.name} added`, put(state, "scales", record));
  },
};

const editInput = z.extend(scaleInput, { scaleId: idField("scale") });

/**
 * Changes a scale. A level keeps what was given on it where its name stays, or where as many levels stand there and it
 * has its old place; one that somebody was given is not taken away.
 */
export const editScale: CommandKind<z.infer<typeof editInput>> = {
  input: editInput,
  prepare: (state, { scaleId, ...input }, { fresh }) => {
    const known = state.scales[scaleId];
    if (!known) return refuse({ code: "unknown_record", what: "scale", id: scaleId });
    const fault = scaleFault(state, input, scaleId);
    if (fault) return refuse(fault);
    const named = new Map(known.levels.map((level) => [level.name, level.id]));
    const kept = new Set(input.levels.flatMap(({ name }) => named.get(name) ?? []));
    const levels = input.levels.map((level, place) => {
      const before = input.levels.length === known.levels.length ? known.levels[place] : undefined;
      const byPlace = before && !kept.has(before.id) ? before.id : undefined;
      return { ...level, id: named.get(level.name) ?? byPlace ?? (`level:${fresh()}` as Id<"level">) };
    });
    const stays = new Set<string>(levels.map(({ id }) => id));
    const gone = known.levels.filter(({ id }) => !stays.has(id));
    const given = new Set<string | null>(
      recordsOf(state, "results").flatMap(({ levelId, outcomeLevelId }) => [levelId, outcomeLevelId]),
    );
    const inUse = gone.find(({ id }) => given.has(id));
    if (inUse) return refuse({ code: "level_in_use", name: inUse.name });
    return finish(`Scale ${input.name} changed`, put(state, "scales", { ...input, id: scaleId, levels }));
  },
};

const removeInput = z.object({ scaleId: idField("scale") });

/** Takes away a scale that no work uses. */
export const removeScale: CommandKind<z.infer<typeof removeInput>> = {
  input: removeInput,
  prepare: (state, { scaleId }) => {
    const known = state.scales[scaleId];
    if (!known) return refuse({ code: "unknown_record", what: "scale", id: scaleId });
    const [use] = usesOfScale(state, scaleId);
    if (use) return refuse({ code: "record_in_use", what: "scale", by: use.name });
    return finish(`Scale ${known.name} removed`, remove(state, "scales", scaleId));
  },
};
