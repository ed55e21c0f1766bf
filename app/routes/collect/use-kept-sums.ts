import { useEffect, useState } from "react";
import type { Piece } from "#core/collect";
import type { StudentId } from "#core/kernel";
import type { Assignment, CourseState, WorkFile } from "#core/model";
import { fileSum } from "../../file-sum";
import { filesHandedIn } from "./rows";

type Sums = ReadonlyMap<StudentId, ReadonlySet<string>>;
const NONE: Sums = new Map();

/** The sums of files that students have handed in before, of those alone that are as long as a piece of the tray. */
export function useKeptSums(
  state: CourseState,
  assignment: Assignment | undefined,
  pieces: readonly Piece[],
  readFile: (file: Pick<WorkFile, "id">) => Promise<Blob | null>,
): Sums {
  const [sums, setSums] = useState(NONE);
  const sizes = new Set(pieces.map(({ file }) => file.size));
  const alike = assignment ? filesHandedIn(state, assignment).filter(({ file }) => sizes.has(file.size)) : [];
  const key = alike.map(({ file }) => file.id).join(" ");
  useEffect(() => {
    let current = true;
    void sumsOf(alike, readFile).then((found) => {
      if (current) setSums(found);
    });
    return () => {
      current = false;
    };
    // Which files there are is all in the key.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [key]);
  return key === "" ? NONE : sums;
}

async function sumsOf(
  files: ReturnType<typeof filesHandedIn>,
  readFile: (file: Pick<WorkFile, "id">) => Promise<Blob | null>,
): Promise<Sums> {
  const sums = new Map<StudentId, Set<string>>();
  for (const { studentId, file } of files) {
    const blob = await readFile(file).catch(() => null);
    if (!blob) continue;
    const sum = await fileSum(blob);
    sums.set(studentId, new Set([...(sums.get(studentId) ?? []), sum]));
  }
  return sums;
}
