import { describe, expect, it } from "vitest";
import { resultOf } from "#core/model";
import { assignmentId, studentId } from "#core/testing";
import { live } from "./live";
import { orMissing } from "./open-course";
import { openSmallCourse } from "../testing/open-small-course";

const [quiz, ben] = [assignmentId("quiz"), studentId("ben")];
const scoring = (text: string) => ({ type: "setScore", assignmentId: quiz, studentId: ben, text }) as const;

describe("a live selection", () => {
  it("is what stands, and is worked out once for each state", async () => {
    const { session } = await openSmallCourse();
    let asked = 0;
    const { read } = live(session, (state) => {
      asked += 1;
      return { score: resultOf(state, quiz, ben).score };
    });
    session.submit(scoring("12"));
    expect(read().value).toEqual({ score: "12" });
    expect(read()).toBe(read());
    expect(asked).toBe(2);
  });

  it("answers the very same object when nothing in it became another", async () => {
    const { session } = await openSmallCourse();
    const { read } = live(session, ({ students, assignments }) => ({ students, assignments }));
    const before = read();
    session.submit(scoring("12"));
    expect(read()).toBe(before);
  });

  it("tells whoever listens, before the change that was sent has come back", async () => {
    const { session } = await openSmallCourse();
    const selection = live(session, (state) => resultOf(state, quiz, ben).score);
    const heard: (string | null)[] = [];
    selection.subscribe(() => heard.push(selection.read().value));
    session.submit(scoring("15"));
    expect(heard).toContain("15");
  });

  it("keeps what there was of a record that is taken away, says so, and follows it when it comes back", async () => {
    const { session } = await openSmallCourse();
    const { read } = live(session, (state) => orMissing(state.assignments[quiz], "assignment").name);
    const { value } = read();
    session.submit({ type: "removeAssignments", assignmentIds: [quiz] });
    expect(read()).toEqual({ value, isGone: true });
    session.step("undo");
    expect(read()).toEqual({ value, isGone: false });
  });

  it("begins with the 404 of a record that is not there, and passes on what else goes wrong", async () => {
    const { session } = await openSmallCourse();
    const missing = (): never => orMissing<never>(undefined, "assignment");
    expect(() => live(session, missing)).toThrow();
    let isBroken = false;
    const { read } = live(session, () => {
      if (isBroken) throw new Error("a fault");
      return 1;
    });
    isBroken = true;
    session.submit(scoring("12"));
    expect(read).toThrow("a fault");
  });
});
