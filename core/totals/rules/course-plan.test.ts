import { describe, expect, it } from "vitest";
import { decimal, whole, type Id, type Instant } from "#core/kernel";
import type { Category, CourseState, Term } from "#core/model";
import { smallCourse } from "#core/testing";
import { checkPlan } from "../index";

const state = smallCourse();
const papers = "category:papers";
const withCategory = (fields: Partial<Category>): CourseState => {
  const category = state.categories[papers];
  return category ? { ...state, categories: { ...state.categories, [papers]: { ...category, ...fields } } } : state;
};
const withCourse = (fields: object): CourseState => {
  const [course] = Object.values(state.courses);
  return course ? { ...state, courses: { [course.id]: { ...course, ...fields } } } : state;
};
const term = (startsAt: string, endsAt: string): CourseState => {
  const one: Term = {
    id: "term:one" as Id<"term">,
    name: "One",
    weight: decimal("1"),
    startsAt: startsAt as Instant,
    endsAt: endsAt as Instant,
    order: 0,
  };
  return { ...state, terms: { [one.id]: one } };
};

describe("looking a plan over", () => {
  it("finds nothing in a sound one", () => {
    expect(checkPlan(state)).toEqual([]);
  });

  it("points out weights that do not come to 100, exactly; bonus stays out of the sum, and points need none", () => {
    const light = withCategory({ weight: decimal("59.9999") });
    expect(checkPlan(light)).toEqual([{ code: "weights_not_hundred", sum: { n: 999_999n, d: 10_000n } }]);
    expect(checkPlan(withCategory({ bonus: true }))).toEqual([{ code: "weights_not_hundred", sum: whole(40) }]);
    expect(checkPlan({ ...light, courses: withCourse({ totals: "points" }).courses })).toEqual([]);
  });

  it("points out a category whose work no total takes in for want of a weight; points need none", () => {
    const weightless = withCategory({ weight: null });
    expect(checkPlan(weightless)).toContainEqual({ code: "no_weight", id: papers });
    expect(checkPlan({ ...weightless, courses: withCourse({ totals: "points" }).courses })).toEqual([]);
    expect(checkPlan({ ...weightless, assignments: {} })).not.toContainEqual({ code: "no_weight", id: papers });
  });

  it("points out a weight below 0 and a category inside itself, which no total reaches", () => {
    expect(checkPlan(withCategory({ weight: decimal("-1") }))).toContainEqual({
      code: "weight_below_zero",
      id: papers,
    });
    const inside = withCategory({ parentId: papers as Id<"category"> });
    expect(checkPlan(inside)).toContainEqual({ code: "category_inside_itself", id: papers });
  });

  it("points out letters that do not fall", () => {
    const letters = ["90", "90"].map((from, index) => ({ letter: `L${String(index)}`, from: decimal(from) }));
    expect(checkPlan(withCourse({ letters }))).toEqual([{ code: "bands_not_falling", letter: "L1" }]);
  });

  it("lists work that no term takes in, undated or outside, and a term upside down", () => {
    const autumn = term("2026-09-01T00:00:00Z", "2026-10-01T00:00:00Z");
    expect(checkPlan(autumn)).toEqual([
      { code: "in_no_term", assignmentId: "assignment:essay", undated: false },
      { code: "in_no_term", assignmentId: "assignment:quiz", undated: true },
    ]);
    const turned = term("2026-11-01T00:00:00Z", "2026-10-01T00:00:00Z");
    expect(checkPlan(turned)).toContainEqual({ code: "term_upside_down", termId: "term:one" });
  });
});
