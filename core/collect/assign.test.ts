import fc from "fast-check";
import solver from "javascript-lp-solver";
import { expect, it } from "vitest";
import { runs } from "../testing";
import { bestAssignment, type WeightedPair } from "./assign";

type Pair = WeightedPair<number, string>;

const pairsArbitrary = fc
  .uniqueArray(fc.record({ left: fc.nat(6), right: fc.nat(6), weight: fc.integer({ min: 1, max: 60 }) }), {
    selector: ({ left, right }) => `${String(left)}/${String(right)}`,
    maxLength: 24,
  })
  .map((pairs): Pair[] => pairs.map((pair) => ({ ...pair, right: `r${String(pair.right)}` })));

/** The same by linear programming, whose corners are whole numbers for an assignment (javascript-lp-solver 1.0.3). */
function mostByLinearProgram(pairs: readonly Pair[]): number {
  const name = ({ left, right }: Pair) => `${String(left)}-${right}`;
  const constraints = Object.fromEntries(
    pairs.flatMap(({ left, right }) => [`l${String(left)}`, right].map((end) => [end, { max: 1 }])),
  );
  const variables = Object.fromEntries(
    pairs.map((pair) => [name(pair), { weight: pair.weight, [`l${String(pair.left)}`]: 1, [pair.right]: 1 }]),
  );
  const { result } = solver.Solve({ optimize: "weight", opType: "max", constraints, variables }) as { result: number };
  return result;
}

it("weighs as much as the best there is, by an independent linear program, and gives nobody twice", () => {
  fc.assert(
    fc.property(pairsArbitrary, (pairs) => {
      const given = bestAssignment(pairs);
      expect(new Set(given.values()).size).toBe(given.size);
      const weights = [...given].map(
        ([left, right]) => pairs.find((pair) => pair.left === left && pair.right === right)?.weight ?? Number.NaN,
      );
      const best = pairs.length === 0 ? 0 : mostByLinearProgram(pairs);
      expect(weights.reduce((sum, weight) => sum + weight, 0)).toBeCloseTo(best, 6);
    }),
    { numRuns: runs(600) },
  );
});

it("gives up a good pair where two others come to more, over a way that loses at first", () => {
  const pairs: Pair[] = [
    { left: 1, right: "a", weight: 10 },
    { left: 1, right: "b", weight: 9 },
    { left: 2, right: "a", weight: 8 },
  ];
  expect([...bestAssignment(pairs)].sort()).toEqual([
    [1, "b"],
    [2, "a"],
  ]);
});
