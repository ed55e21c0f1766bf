import { runCommand, type Command } from "#core/changes";
import { type Id, type Instant } from "#core/kernel";
import { releaseOf, type CourseState, type Facet } from "#core/model";
import { visibleTo } from "#core/release";
import { run, scoredClass, WORLD } from "#core/testing";
import { describe, expect, it } from "vitest";

const { essay, quiz, ada, ben, cleo, everyone: EVERYONE, score, heron: HERON, scored, release } = scoredClass();

const scoresSeen = (state: CourseState) =>
  EVERYONE.map((student) => visibleTo(state, student).map(({ score: shown }) => shown?.points ?? null));

const at = (text: string) => text as Instant;

describe("a release to a part of the class", () => {
  it("gives it to a section alone, and to one student alone", () => {
    expect(scoresSeen(run(scored, release({ sectionId: HERON })))).toEqual([["70"], [], []]);
    expect(scoresSeen(run(scored, release({ studentIds: [cleo] })))).toEqual([[], [], ["72"]]);
  });

  it("gives a whole category, or any other assignments, in the same change", () => {
    const both = run(scored, release({ together: [quiz] }));
    expect(scoresSeen(both).every((list) => list.length === 2)).toBe(true);
    const undone = run(both, { type: "seal", assignmentId: essay, facets: ["score"], together: [quiz] });
    expect(scoresSeen(undone)).toEqual([[], [], []]);
  });

  it("takes it back from one student and leaves it with the others", () => {
    const state = run(scored, release(), {
      type: "seal",
      assignmentId: essay,
      facets: ["score"],
      studentIds: [ben],
    });
    expect(scoresSeen(state)).toEqual([["70"], [], ["72"]]);
  });

  it("at a moment goes out to the section then, and to nobody before", () => {
    const timed = run(scored, {
      type: "timeRelease",
      assignmentId: essay,
      facets: ["score"],
      sectionId: HERON,
      at: at("2026-11-02T08:00:00Z"),
    });
    expect(releaseOf(timed, essay, "score").waves).toMatchObject([{ sectionId: HERON }]);
    expect(runCommand(timed, { type: "releaseDue" }, { ...WORLD, at: at("2026-11-02T07:59:59Z") }).ok).toBe(false);
    const due = run(timed, { type: "releaseDue", now: "2026-11-02T08:00:00Z" });
    expect(scoresSeen(due)).toEqual([["70"], [], []]);
    expect(releaseOf(due, essay, "score").waves).toEqual([]);
    // A clock set back afterwards takes nothing away and gives nothing out twice.
    expect(runCommand(due, { type: "releaseDue" }, { ...WORLD, at: at("2026-10-01T00:00:00Z") }).ok).toBe(false);
    expect(scoresSeen(due)).toEqual([["70"], [], []]);
  });

  it("set anew for a student leaves no earlier moment, and taken back leaves none", () => {
    const time = (moment: string): Command => ({
      type: "timeRelease",
      assignmentId: essay,
      facets: ["score"],
      studentIds: [ben],
      at: at(moment),
    });
    const twice = run(scored, time("2026-11-02T08:00:00Z"), time("2026-11-09T08:00:00Z"));
    expect(releaseOf(twice, essay, "score").waves).toMatchObject([{ at: "2026-11-09T08:00:00Z", studentIds: [ben] }]);
    const back: Command = { type: "seal", assignmentId: essay, facets: ["score"], studentIds: [ben] };
    expect(releaseOf(run(twice, back), essay, "score").waves).toEqual([]);
  });

  it("makes those with a later moment of their own wait when it goes out to the rest", () => {
    const time = (moment: string, sectionId?: typeof HERON): Command => ({
      type: "timeRelease",
      assignmentId: essay,
      facets: ["score"],
      at: at(moment),
      ...(sectionId && { sectionId }),
    });
    const timed = run(scored, time("2026-11-02T08:00:00Z"), time("2026-11-09T08:00:00Z", HERON));
    const rest = run(timed, { type: "releaseDue", now: "2026-11-02T08:00:00Z" });
    expect(scoresSeen(rest)).toEqual([[], ["71"], ["72"]]);
    const all = run(rest, { type: "releaseDue", now: "2026-11-09T08:00:00Z" });
    expect(scoresSeen(all)).toEqual([["70"], ["71"], ["72"]]);
  });

  it("released to everyone by hand ends every moment, so that no later change goes out by itself", () => {
    const state = run(
      scored,
      { type: "timeRelease", assignmentId: essay, facets: ["score"], sectionId: HERON, at: at("2026-11-02T08:00:00Z") },
      release(),
      score(essay, ada, "99"),
    );
    expect(releaseOf(state, essay, "score").waves).toEqual([]);
    expect(runCommand(state, { type: "releaseDue" }, { ...WORLD, at: at("2026-11-02T08:00:00Z") }).ok).toBe(false);
    expect(scoresSeen(state)[0]).toEqual(["70"]);
  });

  it("of several facets at one moment gives each of them", () => {
    const facets: Facet[] = ["score", "comments"];
    const timed = run(
      scored,
      { type: "setComment", assignmentId: essay, studentId: ada, facing: "student", text: "Good." },
      { type: "timeRelease", assignmentId: essay, facets, at: at("2026-11-02T08:00:00Z") },
      { type: "releaseDue", now: "2026-11-02T08:00:00Z" },
    );
    expect(visibleTo(timed, ada)[0]).toMatchObject({ score: { points: "70" }, comments: { overall: "Good." } });
  });

  it("refuses a section or a student that is not there", () => {
    const wrong = release({ sectionId: "section:none" as Id<"section"> });
    expect(runCommand(scored, wrong, WORLD)).toMatchObject({ issue: { code: "unknown_record", what: "section" } });
  });
});
