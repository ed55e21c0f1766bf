import { mean, median, sampleStandardDeviation } from "simple-statistics";
import { describe, expect, it } from "vitest";
import { decimal, required, type Instant, type MarkerId } from "#core/kernel";
import { assignmentId, classStudent, wholeClass, withScores } from "#core/testing";
import { spreadOf, type Scorings } from "../index";

const work = assignmentId("work");
/** Student (1908), hours of sleep gained under two drugs, ten points added so that none is below 0. */
const SLEEP = [
  [0.7, -1.6, -0.2, -1.2, -0.1, 3.4, 3.7, 0.8, 0.0, 2.0],
  [1.9, 0.8, 1.1, 0.1, -0.1, 4.4, 5.5, 1.6, 4.6, 3.4],
].map((hours) => hours.map((gained) => Math.round(10 * (gained + 10)) / 10));

const scoring = (by: string) => ({
  by: by as MarkerId,
  at: "2026-10-01T10:00:00Z" as Instant,
  seq: 1,
  reason: null,
  seconds: null,
});

describe("how a class lies on the scale", () => {
  const scores = Array.from({ length: 20 }, (_, place) => SLEEP[place % 2]?.[Math.floor(place / 2)] ?? 0);
  const state = withScores(wholeClass(22), work, scores);
  const assignment = required(state.assignments[work], "work");
  const found = spreadOf(state, assignment, new Map());

  it("is described as an independent library does it (simple-statistics 7.12)", () => {
    const all = required(found.groups[0], "all");
    expect(all.described.ok).toBe(true);
    if (!all.described.ok || !all.described.value.deviation.ok) return;
    const { value } = all.described;
    expect(value.mean).toBeCloseTo(mean(scores), 10);
    expect(value.median).toBeCloseTo(median(scores), 10);
    expect(all.described.value.deviation.value).toBeCloseTo(sampleStandardDeviation(scores), 10);
    expect(value).toMatchObject({ count: 20, lowest: Math.min(...scores), highest: Math.max(...scores) });
  });

  it("tells sections apart by Welch's test (Student's sleep data: p = 0.07939 in R, from memory)", () => {
    expect(found.groups.map(({ kind, papers }) => [kind, papers.length])).toEqual([
      ["all", 20],
      ["section", 10],
      ["section", 10],
    ]);
    expect(found.sections).toMatchObject({ ok: true });
    if (found.sections.ok) expect(found.sections.value.chance).toBeCloseTo(0.07939, 5);
    expect(found.markers).toMatchObject({ ok: false, issue: { code: "too_few" } });
  });

  it("stands before the letter bands and the pass mark in points, of an assignment of 40", () => {
    const forty = { ...assignment, points: decimal("40") };
    const spread = spreadOf({ ...state, assignments: { [work]: forty } }, forty, new Map());
    expect(spread.bands).toEqual([
      { letter: "A", from: 36 },
      { letter: "B", from: 32 },
      { letter: "F", from: 0 },
    ]);
    expect(spread).toMatchObject({ passMark: 24, top: 40, progress: { notIn: 2, scored: 20 } });
  });

  it("is parted by marker where several judged, and not where all is one marker's", () => {
    const two = withMarkers(["marker:one", "marker:two"]);
    const by = (names: string[]): Scorings =>
      new Map(scores.map((_, place) => [classStudent(place), scoring(names[place % names.length] ?? "")]));
    const kinds = (scorings: Scorings) => spreadOf(two, assignment, scorings).groups.map(({ id }) => id);
    expect(kinds(by(["marker:one", "marker:two"]))).toEqual([
      null,
      "section:one",
      "section:two",
      "marker:one",
      "marker:two",
    ]);
    expect(kinds(by(["marker:one"]))).toEqual([null, "section:one", "section:two"]);
  });

  function withMarkers(ids: string[]) {
    return { ...state, markers: Object.fromEntries(ids.map((id) => [id, { id: id as MarkerId, name: id }])) };
  }

  it("has no bands where the work has no points, and nothing to describe before the first score", () => {
    const bonus = { ...assignment, points: decimal("0"), bonus: true };
    const spread = spreadOf({ ...state, assignments: { [work]: bonus } }, bonus, new Map());
    expect(spread).toMatchObject({ bands: [], passMark: null });
    const empty = wholeClass(2);
    expect(spreadOf(empty, assignment, new Map()).groups[0]?.described.ok).toBe(false);
  });
});
