import { RouterContextProvider } from "react-router";
import { describe, expect, it } from "vitest";
import type { Instant } from "#core/kernel";
import { resultOf } from "#core/model";
import { assignmentId, entriesOf, smallCourse, studentId } from "#core/testing";
import { memoryNeighbours, memoryShelves } from "../../../../storage/memory-shelves";
import { Repository } from "../../../../storage";
import { repositoryContext } from "../../../context";
import { clientAction } from "./route";

const [quiz, ben] = [assignmentId("quiz"), studentId("ben")];
let count = 0;
const surroundings = {
  now: () => new Date(Date.UTC(2026, 10, 28, 9, 0, (count += 1))).toISOString() as Instant,
  fresh: () => `f${String((count += 1))}`,
};

/** A small course in which two scores of one student were typed, one over the other. */
async function twiceScored() {
  const repository = await Repository.open(memoryShelves(), memoryNeighbours()(), surroundings);
  const slot = await repository.keepCourse("small", entriesOf(smallCourse()), new Map());
  const session = await repository.session(slot);
  if (!session) throw new Error("no session");
  for (const text of ["12", "15"]) session.submit({ type: "setScore", assignmentId: quiz, studentId: ben, text });
  const context = new RouterContextProvider();
  context.set(repositoryContext, Promise.resolve(repository));
  const undo = (changeId: string) => {
    const body = new FormData();
    body.set("changeId", changeId);
    const request = new Request("http://localhost/", { method: "post", body });
    return clientAction({ request, params: { slot }, context } as never);
  };
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
