import { courseOf, type CourseState } from "#core/model";
import type { NameOf } from "./account-words";

/** Names of the records of a state by their ids, for figures that explain themselves. */
export function nameOfState(state: CourseState): NameOf {
  const tables: readonly Readonly<Record<string, { readonly name: string }>>[] = [
    state.assignments,
    state.categories,
    state.terms,
    state.groups,
  ];
  return {
    record: (id) =>
      tables.map((table) => table[id]?.name).find((name) => name !== undefined) ?? criterionName(state, id),
    timeZone: courseOf(state).timeZone,
  };
}

const criterionName = (state: CourseState, id: string): string =>
  Object.values(state.rubrics)
    .flatMap(({ criteria }) => criteria)
    .find((criterion) => criterion.id === id)?.name ?? "";
