import { describe, expect, it } from "vitest";
import { resultOf } from "#core/model";
import { assignmentId, studentId } from "#core/testing";
import { openSmallCourse, sentForm } from "../../../testing/open-small-course";
import { clientAction } from "./route";

const [quiz, ben] = [assignmentId("quiz"), studentId("ben")];

/** A small course in which two scores of one student were typed, one over the other. */
async function twiceScored() {
  const { slot, session, context } = await openSmallCourse();
  for (const text of ["12", "15"]) session.submit({ type: "setScore", assignmentId: quiz, studentId: ben, text });
  const undo = (changeId: string) =>
    clientAction({ request: sentForm(["changeId", changeId]), params: { slot }, context } as never);
  const score = () => resultOf(session.state, quiz, ben).score;
  const changes = session.entries.slice(-2).map(({ change }) => change.id);
  return { undo, score, changes };
}

describe("one change undone out of the middle of the journal", () => {
  it("is refused with the reason where a later one rests on it, and goes where none does", async () => {
    const { undo, score, changes } = await twiceScored();
    const [first = "", second = ""] = changes;
    expect(await undo(first)).toMatchObject({ data: { trouble: expect.any(String) as string }, init: { status: 400 } });
    expect(score()).toBe("15");
    expect(await undo(second)).toEqual({ trouble: null });
    expect(score()).toBe("12");
  });

  it("is asked for again where the form names none", async () => {
    const { undo, score } = await twiceScored();
    expect(await undo("")).toMatchObject({ data: { trouble: "Choose a change of the journal." } });
    expect(score()).toBe("15");
  });
});
