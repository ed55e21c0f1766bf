import { describe, expect, it } from "vitest";
import { resultOf, rubricOf, zonesFor, type CourseState, type Zone } from "#core/model";
import { assignmentId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { runCommand, type Command } from "../../index";

const essay = assignmentId("essay");
const [ada, ben] = [studentId("ada"), studentId("ben")];
const start = smallCourse();
const work = (state: CourseState) => state.assignments[essay] as NonNullable<CourseState["assignments"][string]>;
const [first, second] = rubricOf(start, work(start))?.criteria ?? [];
if (!first || !second) throw new Error("the small course has changed");

const zone = (page: number, y = 0.2) => ({ page, x: 0.1, y, width: 0.8, height: 0.25 });
const set = (
  zones: ReturnType<typeof zone>[],
  student: typeof ada | null = null,
  of: Zone["of"] = first.id,
): Command => ({
  type: "setZones",
  assignmentId: essay,
  of,
  studentId: student,
  zones,
});
const pages = (state: CourseState, student: typeof ada, of: Zone["of"] = first.id) =>
  zonesFor(state, work(state), student, of).map(({ page }) => page);

const refused = (command: Command) => {
  const done = runCommand(start, command, WORLD);
  return done.ok ? null : done.issue;
};

describe("where on the papers a criterion is answered", () => {
  it("is said once for all, over several pages if need be, and mended for one paper", () => {
    const all = run(start, set([zone(2), zone(1)]), set([zone(3)], null, second.id));
    expect([pages(all, ada), pages(all, ben), pages(all, ben, second.id)]).toEqual([[1, 2], [1, 2], [3]]);
    const mended = run(all, set([zone(4)], ben));
    expect([pages(mended, ada), pages(mended, ben)]).toEqual([[1, 2], [4]]);
    const back = run(mended, set([], ben));
    expect(pages(back, ben)).toEqual([1, 2]);
    expect(resultOf(back, essay, ben).zones).toEqual([]);
  });

  it("is refused beyond the page, for another work's criterion, and for nobody", () => {
    expect(refused(set([{ ...zone(1), y: 0.9 }]))).toMatchObject({ code: "zone_beyond_page", page: 1 });
    expect(refused(set([zone(1)], null, "criterion:none" as typeof first.id))).toMatchObject({ what: "criterion" });
    expect(refused(set([zone(1)], studentId("zoe")))).toMatchObject({ what: "student" });
  });
});
