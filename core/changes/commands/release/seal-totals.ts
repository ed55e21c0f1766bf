import { z } from "zod/mini";
import { milliseconds, refuse } from "#core/kernel";
import {
  courseOf,
  idField,
  instantField,
  studentsOf,
  totalCopiesOf,
  totalSealOf,
  type Course,
  type CourseState,
} from "#core/model";
import { totalName } from "#core/release";
import type { SteppedKind } from "../../engine/change";
import { finish, put } from "../../engine/command-parts";
import { leakStop } from "../../effects/leak-stop";
import { stateAfter } from "../../engine/patch";
import { fixTotals } from "./totals-follow";

const sealInput = z.object({
  /** `course`, a category or a term. */
  id: z.string(),
  /** Other totals that change with it. */
  together: z.optional(z.array(z.string()).check(z.maxLength(200))),
  state: z.enum(["sealed", "timed", "released"]),
  at: z.nullable(instantField),
  shows: z.enum(["percent", "letter"]),
});

const knowsTotal = (state: CourseState, id: string): boolean =>
  id === "course" || state.categories[id] !== undefined || state.terms[id] !== undefined;

const everyone = (state: CourseState) => studentsOf(state).map(({ id }) => id);

/** Shows totals to students as fixed copies, sets a time for them, or seals them again. */
export const sealTotal: SteppedKind<z.infer<typeof sealInput>> = {
  input: sealInput,
  *prepareInSteps(state, { together, ...seal }, context) {
    const { at } = context;
    const ids = [...new Set([seal.id, ...(together ?? [])])];
    const unknown = ids.find((id) => !knowsTotal(state, id));
    if (unknown !== undefined) return refuse({ code: "unknown_record", what: "total", id: unknown });
    if (seal.state === "timed" && (seal.at === null || milliseconds(seal.at) <= milliseconds(at))) {
      return refuse({ code: "time_is_past", at: seal.at ?? at });
    }
    const moment = seal.state === "released" ? at : seal.state === "timed" ? seal.at : null;
    const seals = ids.map((id) =>
      put(state, "totalSeals", { ...totalSealOf(state, id), id, state: seal.state, at: moment, shows: seal.shows }),
    );
    const names = ids.map((id) => totalName(state, id)).join(", ");
    const line = `${names} total: ${seal.state === "released" ? `shown as ${seal.shows}` : seal.state}`;
    const next = stateAfter(state, seals);
    if (!next.ok) return next;
    const patches = [...seals, ...(yield* fixTotals(state, next.value, at, everyone(state), ids))];
    const stop = seal.state === "released" ? yield* leakStop(state, patches, `The ${names} total`, context) : null;
    return stop ?? finish(line, ...patches);
  },
};

const releaseInput = z.object({ studentIds: z.optional(z.array(idField("student"))) });

/** Gives totals on show out again as they stand now, to everyone or to the students named. */
export const releaseTotals: SteppedKind<z.infer<typeof releaseInput>> = {
  input: releaseInput,
  *prepareInSteps(state, { studentIds }, context) {
    const { at } = context;
    const students = everyone(state).filter((id) => studentIds?.includes(id) ?? true);
    const patches = (yield* fixTotals(state, state, at, students)).filter((patch) => patch !== null);
    if (patches.length === 0) return refuse({ code: "nothing_to_release" });
    const stop = yield* leakStop(state, patches, "Totals on show", context);
    return stop ?? finish(`Totals released again to ${String(patches.length)}`, ...patches);
  },
};

const restInput = z.object({ on: z.enum(["released", "all"]) });

/**
 * Lets the totals students see rest on released work only, or on all work. Totals on show are given out again with the
 * new rule in the same change, so that nothing rests on the old one.
 */
export const restTotals: SteppedKind<z.infer<typeof restInput>> = {
  input: restInput,
  *prepareInSteps(state, { on }, context) {
    const { at } = context;
    const course: Course = { ...courseOf(state), totalsRestOn: on };
    const rule = put(state, "courses", course);
    const next = stateAfter(state, [rule]);
    if (!next.ok) return next;
    const shown = everyone(state).filter((id) => totalCopiesOf(state, id).length > 0);
    const line = `Totals students see rest on ${on === "released" ? "released work only" : "all work"}`;
    const patches = [rule, ...(yield* fixTotals(state, next.value, at, shown))];
    const stop = on === "all" ? yield* leakStop(state, patches, "All work in totals", context) : null;
    return stop ?? finish(line, ...patches);
  },
};
