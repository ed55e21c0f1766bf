import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { keptBy } from "./kept-by";

describe("a computed thing kept while its basis stands", () => {
  it("is made once for its owner, and again for another", () => {
    let made = 0;
    const length = keptBy({ owner: (list: readonly number[]) => list, make: (_, list) => [list.length, (made += 1)] });
    const list = [1, 2];
    expect(length(list)).toBe(length(list));
    expect([length(list), length([1, 2])]).toEqual([
      [2, 1],
      [2, 2],
    ]);
  });

  it("is kept for each part by itself", () => {
    const owner = {};
    const named = keptBy({ owner: (_: string) => owner, part: (name) => name, make: (_, name) => ({ name }) });
    const [a, b] = [named("a"), named("b")];
    expect([named("a"), named("b")]).toEqual([a, b]);
    expect(named("a")).toBe(a);
    expect(named("b")).toBe(b);
  });

  it("is made anew when one named part is another object, and a list is compared member by member", () => {
    const owner = {};
    const kept = keptBy({
      owner: (_: object, _course: object, _records: readonly object[]) => owner,
      basis: (_, course, records) => ({ course, records }),
      make: () => ({}),
    });
    const [course, record] = [{}, {}];
    const first = kept(owner, course, [record]);
    expect(kept(owner, course, [record])).toBe(first);
    expect(kept(owner, course, [record, record])).not.toBe(first);
    const second = kept(owner, course, [record]);
    expect(second).not.toBe(first);
    expect(kept(owner, {}, [record])).not.toBe(second);
  });

  it("stays when a preview was looked at in between, where two are kept", () => {
    const owner = {};
    const keeping = { owner: (_: object) => owner, basis: (course: object) => ({ course }), make: () => ({}) };
    const [one, two] = [keptBy(keeping), keptBy({ ...keeping, most: 2 })];
    const [live, preview, other] = [{}, {}, {}];
    const [aloneBefore, sideBefore] = [one(live), two(live)];
    one(preview);
    two(preview);
    expect(one(live)).not.toBe(aloneBefore);
    expect(two(live)).toBe(sideBefore);
    two(other);
    expect(two(live)).toBe(sideBefore);
    two(preview);
    two(other);
    expect(two(live)).not.toBe(sideBefore);
  });

  it("hands the value before to whoever makes the next", () => {
    const owner = {};
    const seen = keptBy({
      owner: (_: object) => owner,
      basis: (course: object) => ({ course }),
      make: (before: number | undefined) => (before ?? 0) + 1,
    });
    expect([seen({}), seen({}), seen({})]).toEqual([1, 2, 3]);
  });

  it("never answers what another basis gave, whatever is asked in whatever order", () => {
    const parts = fc.record({ owner: fc.nat(2), name: fc.nat(2), basis: fc.nat(4) });
    fc.assert(
      fc.property(fc.array(parts, { maxLength: 40 }), fc.integer({ min: 1, max: 3 }), (asked, most) => {
        const owners = [{}, {}, {}];
        const kept = keptBy({
          owner: (at: number, _name: number, _basis: number) => owners[at] ?? {},
          part: (_, name) => String(name),
          basis: (_, _name, basis) => ({ basis }),
          most,
          make: (_, ...given) => given.join("/"),
        });
        for (const { owner, name, basis } of asked)
          expect(kept(owner, name, basis)).toBe([owner, name, basis].join("/"));
      }),
    );
  });
});
