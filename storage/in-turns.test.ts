import { describe, expect, it } from "vitest";
import type { Command } from "#core/changes";
import { atOnce, type Instant, type Steps } from "#core/kernel";
import { copyOf, resultOf } from "#core/model";
import { assignmentId, entriesOf, smallCourse, studentId } from "#core/testing";
import { memoryNeighbours, memoryShelves } from "./shelves/memory-shelves";
import { Repository } from "./repository";

const [quiz, ben] = [assignmentId("quiz"), studentId("ben")];
const score = (text: string): Command => ({ type: "setScore", assignmentId: quiz, studentId: ben, text });
const release: Command = { type: "release", assignmentId: quiz, facets: ["score"] };

/** An open course whose long changes take a turn when the test says so. */
async function openCourse() {
  let count = 0;
  let now = "2026-10-27T08:00:00Z" as Instant;
  const turns: (() => void)[] = [];
  const looks: (() => void)[] = [];
  const inTurns = async <T>(steps: Steps<T>): Promise<T> => {
    steps.next();
    await new Promise<void>((resolve) => turns.push(resolve));
    return atOnce(steps);
  };
  const repository = await Repository.open(memoryShelves(), memoryNeighbours()(), {
    now: () => now,
    fresh: () => `f${String((count += 1))}`,
    inTurns,
    often: (act) => {
      looks.push(act);
      return () => undefined;
    },
  });
  await repository.keepCourse("small", entriesOf(smallCourse()), new Map());
  const session = await repository.session("small");
  if (!session) throw new Error("no session");
  return {
    session,
    turn: () => {
      turns.shift()?.();
    },
    waiting: () => turns.length,
    look: () => {
      looks.at(-1)?.();
    },
    until: (at: string) => (now = at as Instant),
  };
}

describe("a change that looks at every student", () => {
  it("takes effect when its last step is taken, and not before", async () => {
    const { session, turn } = await openCourse();
    session.submit(score("15"));
    const done = session.submitInTurns(release);
    expect(copyOf(session.state, quiz, ben).score).toBeNull();
    turn();
    expect((await done).ok).toBe(true);
    expect(copyOf(session.state, quiz, ben).score?.content).toMatchObject({ points: "15" });
  });

  it("is worked out again where the course changed in between: what is given out is what stands", async () => {
    const { session, turn, waiting } = await openCourse();
    session.submit(score("15"));
    const done = session.submitInTurns(release);
    session.submit(score("17"));
    turn();
    await expect.poll(waiting).toBe(1);
    turn();
    expect((await done).ok).toBe(true);
    expect(resultOf(session.state, quiz, ben).score).toBe("17");
    expect(copyOf(session.state, quiz, ben).score?.content).toMatchObject({ points: "17" });
  });

  it("writes nothing once its course was closed, which may be gone by then", async () => {
    const { session, turn } = await openCourse();
    session.submit(score("15"));
    const done = session.submitInTurns(release);
    session.close();
    turn();
    expect((await done).ok).toBe(false);
    expect(copyOf(session.state, quiz, ben).score).toBeNull();
  });

  it("that is due goes out once, however often one looks meanwhile", async () => {
    const { session, turn, waiting, look, until } = await openCourse();
    session.submit(score("15"));
    session.submit({
      type: "timeRelease",
      assignmentId: quiz,
      facets: ["score"],
      at: "2026-10-27T09:00:00Z" as Instant,
    });
    until("2026-10-27T09:00:00Z");
    look();
    look();
    expect(waiting()).toBe(1);
    turn();
    await expect.poll(() => copyOf(session.state, quiz, ben).score?.content).toMatchObject({ points: "15" });
    expect(session.entries.filter(({ change }) => change.type === "releaseDue")).toHaveLength(1);
    look();
    expect(waiting()).toBe(0);
  });
});
