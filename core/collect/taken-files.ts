import { keptBy, type FileId } from "#core/kernel";
import type { CourseState } from "#core/model";

/** Files that hand-ins of the course name: what was taken in. */
export const takenFiles = keptBy({
  owner: ({ handIns }: Pick<CourseState, "handIns">) => handIns,
  make: (_, { handIns }): ReadonlySet<FileId> =>
    new Set(
      Object.values(handIns).flatMap((cut) =>
        Object.values(cut).flatMap(({ attempts }) => attempts.flatMap(({ files }) => files.map(({ id }) => id))),
      ),
    ),
});
