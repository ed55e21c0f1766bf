import { expect, it } from "vitest";
import { assignmentsOf, rubricOf } from "#core/model";
import { smallCourse } from "#core/testing";
import { drawnZones, placeOfKey } from "./rows";

const state = smallCourse();
const base = assignmentsOf(state).find((one) => rubricOf(state, one));
const criteria = base ? (rubricOf(state, base)?.criteria ?? []) : [];
const [first, second] = criteria;
if (!base || !first || !second) throw new Error("the small course has changed");
const zone = (of: typeof first.id, page: number) => ({
  of,
  page,
  x: 0,
  y: 0,
  width: 0.5,
  height: 0.5,
});
const assignment = { ...base, zones: [zone(first.id, 1), zone(first.id, 2), zone(second.id, 1)] };
const drawn = (alone: boolean, page: number, own = [zone(first.id, 3)]) =>
  drawnZones({ assignment, own, asked: criteria, alone, page, colourOf: String }).map(({ key, name, isOwn }) => ({
    ...placeOfKey(key),
    name,
    isOwn,
  }));

it("draws the zones of a page for all papers, each with the place it has among its criterion's", () => {
  expect(drawn(false, 2)).toEqual([{ of: first.id, place: 1, name: first.name, isOwn: true }]);
  expect(drawn(false, 1)).toHaveLength(2);
  expect(drawn(false, 3)).toEqual([]);
});

it("draws for one paper its own zones, and behind them those of all where it has none of the criterion", () => {
  expect(drawn(true, 3)).toEqual([{ of: first.id, place: 0, name: first.name, isOwn: true }]);
  expect(drawn(true, 1)).toEqual([{ of: second.id, place: 0, name: second.name, isOwn: false }]);
});
