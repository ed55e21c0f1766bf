import { decimal, type Id, type Instant } from "#core/kernel";
import { courseOf, type CourseState } from "#core/model";
import { makeRubric, run, smallCourse, WORLD } from "#core/testing";
import { describe, expect, it } from "vitest";
import { runCommand, type Command } from "../../index";

const refusal = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};

describe("a plan that cannot be", () => {
  const add = (more: object): Command =>
    ({
      type: "addAssignment",
      name: "New",
      shortName: "New",
      categoryId: "category:papers",
      points: "10",
      dueAt: null,
      channel: "file",
      bonus: false,
      task: "",
      rubric: null,
      ...more,
    }) as Command;

  it("a due date before the day it is given", () => {
    const dates = { givenAt: "2026-10-10T08:00:00Z", dueAt: "2026-10-09T08:00:00Z" };
    expect(refusal(smallCourse(), add(dates))).toMatchObject({ code: "due_before_given" });
    expect(refusal(smallCourse(), add({ ...dates, dueAt: dates.givenAt }))).toBeNull();
  });

  it("a rubric whose levels overlap; one with a gap is only pointed out", () => {
    expect(refusal(smallCourse(), add({ rubric: makeRubric("new", "a: 0-4, 3-6") }))).toMatchObject({
      code: "rubric_at_fault",
      finding: { code: "levels_overlap" },
    });
    expect(refusal(smallCourse(), add({ rubric: makeRubric("new", "a: 0-2, 4-6") }))).toBeNull();
  });

  it("a weight below 0, and letters that do not fall", () => {
    const weight = decimal("-5");
    expect(refusal(smallCourse(), { type: "addCategory", name: "Less", weight })).toMatchObject({
      code: "weight_below_zero",
    });
    const [course] = Object.values(smallCourse().courses);
    if (!course) throw new Error("no course");
    const letters = ["80", "90"].map((from, index) => ({ letter: `L${String(index)}`, from: decimal(from) }));
    expect(
      refusal(smallCourse(), { type: "startCourse", course: { ...course, letters }, markerName: "M", sections: [] }),
    ).toMatchObject({ code: "bands_not_falling", letter: "L1" });
  });
});

describe("the rules of a course", () => {
  const refusal = (state: CourseState, command: Command) => {
    const done = runCommand(state, command, WORLD);
    return done.ok ? null : done.issue;
  };

  it("change by themselves and leave all others as they are", () => {
    const before = courseOf(smallCourse());
    const state = run(smallCourse(), { type: "editCourse", fields: { missingPercent: null, capAtHundred: true } });
    expect(courseOf(state)).toEqual({ ...before, missingPercent: null, capAtHundred: true });
  });

  it.each([
    [
      {
        letters: [
          { letter: "B", from: decimal("80") },
          { letter: "A", from: decimal("90") },
        ],
      },
      "bands_not_falling",
    ],
    [{ missingPercent: decimal("-1") }, "percent_below_zero"],
    [{ timeZone: "Nowhere/At_all" }, "unknown_time_zone"],
    [{}, "nothing_to_change"],
  ])("%j is refused as %s", (fields, code) => {
    expect(refusal(smallCourse(), { type: "editCourse", fields })).toMatchObject({ code });
  });

  const term = (name: string, from: string, to: string, termId: Id<"term"> | null = null) =>
    ({
      type: "saveTerm",
      termId,
      name,
      weight: decimal("50"),
      startsAt: `${from}T00:00:00Z` as Instant,
      endsAt: `${to}T00:00:00Z` as Instant,
    }) as const;

  it("terms end after they start, do not overlap, and can be changed and removed", () => {
    const state = run(
      smallCourse(),
      term("Autumn", "2026-09-01", "2026-12-01"),
      term("Winter", "2026-12-01", "2027-02-01"),
    );
    const [autumn] = Object.keys(state.terms) as Id<"term">[];
    expect(refusal(state, term("Late", "2026-11-01", "2026-12-15"))).toMatchObject({ code: "terms_overlap" });
    expect(refusal(state, term("Odd", "2027-05-01", "2027-05-01"))).toMatchObject({ code: "term_ends_before_start" });
    expect(refusal(state, term("Winter", "2027-05-01", "2027-06-01"))).toMatchObject({ code: "name_taken" });
    const moved = run(state, term("Fall", "2026-08-15", "2026-12-01", autumn));
    expect(Object.values(moved.terms).map(({ name, order }) => [name, order])).toEqual([
      ["Fall", 0],
      ["Winter", 1],
    ]);
    expect(Object.keys(run(moved, { type: "removeTerm", termId: autumn as Id<"term"> }).terms)).toHaveLength(1);
  });
});
