import { decimal } from "#core/kernel";
import type { Category } from "#core/model";
import { CELL, FLAG, type FlatCourse } from "#core/totals";

/** Repeatable numbers from 0 up to 1 (Park & Miller, 1988). */
function repeatable(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}

/**
 * Made-up scores of a whole course: 8 weighted categories that each drop their lowest, one paper in twelve late at 5 % of
 * the points a day. `unequal` mixes maxima within a category, which makes dropping the harder problem.
 */
export function madeUpCourse(students: number, assignments: number, unequal: boolean): FlatCourse {
  const chance = repeatable(20_261_123);
  const count = 8;
  const perCategory = assignments / count;
  const categories = Array.from({ length: count }, (): Pick<Category, "method" | "keep" | "weight" | "bonus"> => ({
    method: "pooled",
    keep: { kind: "dropLowest", count: 1 },
    weight: decimal("12.5"),
    bonus: false,
  }));
  const maxima = Array.from({ length: assignments }, (_, index) =>
    unequal ? ([10, 20, 25, 50][index % 4] ?? 20) : 20,
  );
  const cells = students * assignments;
  const course: FlatCourse = {
    rules: {
      totals: "weighted",
      emptyCategories: "leftOut",
      capAtHundred: false,
      missingPercent: decimal("0"),
      lateRule: {
        ratePercent: decimal("5"),
        unit: "hours",
        unitHours: 24,
        base: "maximum",
        capPercent: null,
        floorPercent: null,
        graceMinutes: 0,
        graceKind: "threshold",
      },
    },
    categories,
    students,
    assignments,
    points: Float64Array.from(maxima, (points) => points * 10_000),
    category: Int32Array.from(maxima, (_, index) => Math.floor(index / perCategory)),
    flags: new Uint8Array(assignments).fill(FLAG.counts),
    kinds: new Uint8Array(cells).fill(CELL.score),
    values: new Float64Array(cells),
    unitsLate: new Uint16Array(cells),
    fractions: new Map(),
  };
  for (let cell = 0; cell < cells; cell += 1) {
    const points = maxima[cell % assignments] ?? 20;
    course.values[cell] = Math.round(points * 2 * (0.4 + 0.6 * chance())) * 5_000;
    if (chance() < 1 / 12) course.unitsLate[cell] = 1 + Math.floor(chance() * 3);
  }
  return course;
}
