import { ratio, type Id, type Instant } from "#core/kernel";
import { type CourseState } from "#core/model";
import { remindersFor, type ReminderFilter } from "#core/release";
import { run, scoredClass, smallCourse, WORLD } from "#core/testing";
import { describe, expect, it } from "vitest";

const { essay, ada, ben, cleo, scored, release } = scoredClass();

const at = (text: string) => text as Instant;

describe("reminders", () => {
  const filter = (kind: ReminderFilter["kind"], assignment: typeof essay | null = null): ReminderFilter => ({
    kind,
    assignmentId: assignment,
    percent: ratio(71n, 1n),
  });
  const found = (state: CourseState, of: ReminderFilter) =>
    remindersFor(state, of, at("2026-11-02T08:00:00Z")).map(({ studentId: id, assignmentIds, tellsSealed }) => [
      id,
      assignmentIds,
      tellsSealed,
    ]);

  it("find who has handed in nothing, once it is due", () => {
    const state = smallCourse();
    expect(found(state, filter("nothingIn", essay))).toEqual([
      [ben, [essay], false],
      [cleo, [essay], false],
    ]);
    expect(remindersFor(state, filter("nothingIn", essay), at("2026-10-01T08:00:00Z"))).toEqual([]);
    const soon = (now: string) => remindersFor(state, filter("dueSoon", essay), at(now)).length;
    expect(["2026-10-09T08:00:00Z", "2026-10-12T08:00:00Z", "2026-10-24T13:00:00Z"].map(soon)).toEqual([0, 2, 0]);
    expect(found(state, filter("notScored"))).toEqual([[ada, [essay], false]]);
  });

  it("find who stands below or above a figure, and say when the writing itself would tell something sealed", () => {
    expect(found(scored, filter("below", essay))).toEqual([[ada, [essay], true]]);
    expect(found(run(scored, release()), filter("below", essay))).toEqual([[ada, [essay], false]]);
    expect(found(scored, filter("above", essay))).toEqual([[cleo, [essay], true]]);
    // 66.0, 68.6 and 71.2 of the course.
    expect(found(scored, filter("above"))).toEqual([[cleo, [], true]]);
  });

  it("find who was late", () => {
    const late = run(scored, { type: "setLateness", assignmentId: essay, studentId: ben, unitsLate: 2 });
    expect(found(late, filter("late"))).toEqual([[ben, [essay], false]]);
  });

  it("go into the post office and are opened there", () => {
    const sent = run(scored, {
      type: "sendMails",
      kind: "reminder",
      about: "late",
      mails: [{ studentId: ben, to: "", subject: "Late", body: "Dear Ben" }],
    });
    const [mail] = Object.values(sent.mails);
    expect(mail).toMatchObject({ studentId: ben, kind: "reminder", openedAt: null });
    const opened = run(sent, { type: "openMail", mailId: mail?.id ?? ("mail:none" as Id<"mail">) });
    expect(Object.values(opened.mails)[0]?.openedAt).toBe(WORLD.at);
    expect(Object.keys(sent.deliveries)).toEqual([]);
  });
});
