import { describe, expect, it } from "vitest";
import type { Command } from "#core/changes";
import type { Instant } from "#core/kernel";
import { assignmentId, entriesOf, smallCourse, studentId } from "#core/testing";
import { memoryNeighbours, memoryShelves } from "./shelves/memory-shelves";
import { Repository } from "./repository";
import type { CourseSession } from "./session";
import type { Surroundings } from "./surroundings";

const quiz = assignmentId("quiz");

describe("what is due", () => {
  it("goes out when its course is opened, and while it is open by the session's own clock", async () => {
    const shelves = memoryShelves();
    let now = "2026-10-27T08:00:00Z" as Instant;
    const looks: (() => void)[] = [];
    let stopped = 0;
    let count = 0;
    const due: Surroundings = {
      now: () => now,
      fresh: () => `f${String((count += 1))}`,
      often: (act) => {
        looks.push(act);
        return () => (stopped += 1);
      },
    };
    const open = async () => {
      const session = await (await Repository.open(shelves, memoryNeighbours()(), due)).session("small");
      if (!session) throw new Error("no session");
      return session;
    };
    const first = await Repository.open(shelves, memoryNeighbours()(), due);
    await first.keepCourse("small", entriesOf(smallCourse()), new Map());
    const seals = ({ state }: CourseSession) =>
      Object.values(state.releases).map(({ facet, state: at }) => `${facet} ${at}`);
    const session = await open();
    const time = (facet: "score" | "comments", at: string): Command => ({
      type: "timeRelease",
      assignmentId: quiz,
      facets: [facet],
      at: at as Instant,
    });
    session.submit({ type: "setScore", assignmentId: quiz, studentId: studentId("ben"), text: "15" });
    session.submit(time("score", "2026-10-27T09:00:00Z"));
    session.submit(time("comments", "2026-10-27T10:00:00Z"));
    looks.forEach((look) => {
      look();
    });
    expect(seals(session)).toEqual(["score timed", "comments timed"]);
    await session.settled();
    session.close();
    expect(stopped).toBe(1);

    now = "2026-10-27T09:00:00Z" as Instant;
    const later = await open();
    expect(seals(later)).toEqual(["score released", "comments timed"]);
    now = "2026-10-27T10:00:00Z" as Instant;
    looks.at(-1)?.();
    expect(seals(later)).toEqual(["score released", "comments released"]);
  });
});
