import { describe, expect, it } from "vitest";
import { assignmentsOf, courseOf } from "#core/model";
import { smallCourse } from "#core/testing";
import { startEmptyCourse } from "../../../start-courses";
import { openSmallCourse, sentForm } from "../../../testing/open-small-course";
import { clientAction } from "./route";

/** A repository with a small course and an empty one, and the plan's form sent to the empty one. */
async function send(fields: Readonly<Record<string, string>>) {
  const { repository, context } = await openSmallCourse();
  const started = await startEmptyCourse(repository, "Empty", "Noor Albrecht");
  const slot = started.ok ? started.value : "";
  const answer = await clientAction({
    request: sentForm(...Object.entries(fields)),
    params: { slot },
    context,
  } as never);
  const session = await repository.session(slot);
  return { answer, state: session?.state };
}

describe("the plan of another course, taken over by a form", () => {
  it("comes with its dates moved by whole weeks", async () => {
    const { answer, state } = await send({ from: "small", weeks: "52" });
    expect(answer).toEqual({ trouble: null });
    const due = (of: typeof state) => of && assignmentsOf(of).map(({ name, dueAt }) => [name, dueAt?.slice(0, 10)]);
    expect(due(smallCourse())).toContainEqual(["Essay", "2026-10-24"]);
    expect(due(state)).toContainEqual(["Essay", "2027-10-23"]);
    expect(state && courseOf(state).title).toBe("Empty");
  });

  it.each([
    [{ from: "small", weeks: "soon" }, "Dates are moved by whole weeks, at most 520."],
    [{ from: "small", weeks: "99999" }, "Dates are moved by whole weeks, at most 520."],
    [{ from: "", weeks: "52" }, "Choose a course."],
  ])("is refused where the form says %o, and nothing is changed", async (fields, trouble) => {
    const { answer, state } = await send(fields);
    expect(answer).toMatchObject({ data: { trouble }, init: { status: 400 } });
    expect(state && assignmentsOf(state)).toEqual([]);
  });
});
