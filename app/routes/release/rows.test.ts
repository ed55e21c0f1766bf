import { describe, expect, it } from "vitest";
import { runCommand } from "#core/changes";
import { atOnce, required, type Instant } from "#core/kernel";
import { type CourseState, type Facet } from "#core/model";
import { changedSinceRelease, FINDING_CODES } from "#core/release";
import { assignmentId, criterionId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { releaseFindingWords } from "../../ui/words/release-finding-words";
import { boardRows } from "../board/rows";
import { differenceWords } from "./seals/difference-words";
import { readPlace } from "./place";
import { releaseRows } from "./rows";

const essay = assignmentId("essay");
const ada = { assignmentId: essay, studentId: studentId("ada") };
const level = (criterion: string, digit: number) =>
  ({ type: "judge", ...ada, criterionId: criterionId(criterion), verdict: { kind: "level", digit } }) as const;
const judged = run(smallCourse(), level("record", 2), level("reasoning", 2), level("writing", 2), {
  type: "setComment",
  ...ada,
  facing: "student",
  text: "Well argued.",
});
const release = { type: "release", assignmentId: essay, facets: ["score", "rubric", "comments"] as const } as const;
const released = run(judged, { ...release, facets: [...release.facets] });

const rowsOf = (state: CourseState, search = "") =>
  atOnce(releaseRows(state, readPlace(new URLSearchParams(search)), WORLD));
const reading = "assignment=essay&student=ada";

describe("the table of seals", () => {
  it("chooses the first assignment with something ready, and a reader with something to read", () => {
    const rows = rowsOf(judged);
    expect(rows.chosen?.assignment.name).toBe("Essay");
    expect(rows.reader?.name).toBe("Ada Ames");
    expect(rowsOf(judged, "student=ben").reader?.name).toBe("Ben Bolt");
  });

  it("shows a copy as it is now and as it would be", () => {
    const before = required(rowsOf(judged, reading).reader, "reader");
    expect(before.now).toEqual({ score: null, rubric: null, comments: null, outcomes: null, classFigures: null });
    expect(before.after.score?.points).toBe("77"); // 15.5 + 13 + 10 = 38.5 of 50
    const after = required(rowsOf(released, reading).reader, "reader");
    expect(after.now.score?.points).toBe("77");
    expect(after.now.comments?.overall).toBe("Well argued.");
  });

  it("tells namesakes apart where totals are others now", () => {
    const quiz = { assignmentId: assignmentId("quiz"), studentId: studentId("ada") };
    const twins = run(
      smallCourse({ totalsRestOn: "all" }),
      { type: "addStudents", students: [{ number: "N9", givenName: "Ada", familyName: "Ames", sectionId: null }] },
      { type: "setScore", ...quiz, text: "10" },
      { type: "sealTotal", id: "course", state: "released", at: null, shows: "percent" },
      { type: "setScore", ...quiz, text: "15" },
    );
    const course = rowsOf(twins).totals.find(({ id }) => id === "course");
    expect(course?.changed.map(({ studentName }) => studentName)).toContainEqual(
      expect.stringMatching(/^Ada Ames, N1/),
    );
  });

  it("finds what concerns the facets and the students of the address", () => {
    const codes = (search: string) =>
      rowsOf(judged, `assignment=essay${search}`).chosen?.findings.map(({ code }) => code);
    expect(codes("&facets=rubric")?.[0]).toBe("rubric_tells_score");
    expect(codes("&facets=rubric+score")).not.toContain("rubric_tells_score");
    expect(codes("")).toContain("undecided");
    expect(codes("&only=ada")).not.toContain("undecided");
  });

  it("previews who would newly see what, and counts them", () => {
    const all = rowsOf(judged, "assignment=essay").chosen;
    const newly = (facet: Facet) => ({
      what: "Essay",
      assignmentId: essay,
      facet,
      gain: [ada.studentId],
      change: [],
      lose: [],
    });
    expect(all?.preview).toEqual([newly("score"), newly("rubric"), newly("comments")]);
    expect(all?.ready).toBe(1);
    expect(rowsOf(judged, "assignment=essay&only=ben").chosen).toMatchObject({ ready: 0, preview: [] });
  });

  it("says when a timed release is stopped at its moment", () => {
    const timed = run(
      judged,
      { type: "timeRelease", assignmentId: essay, facets: ["score"], at: "2026-11-02T08:00:00Z" as Instant },
      { type: "editCourse", fields: { releaseStops: ["undecided"] } },
    );
    const at = (now: string) =>
      atOnce(releaseRows(timed, readPlace(new URLSearchParams()), { ...WORLD, at: now as Instant })).chosen?.isOverdue;
    expect([at("2026-11-02T07:59:59Z"), at("2026-11-02T08:00:00Z")]).toEqual([false, true]);
    expect(runCommand(timed, { type: "releaseDue" }, { ...WORLD, at: "2026-11-02T08:00:00Z" as Instant }).ok).toBe(
      false,
    );
  });

  it("lists the course's total and its categories with their seals", () => {
    expect(rowsOf(judged).totals.map(({ name, seal }) => [name, seal.state])).toEqual([
      ["Course", "sealed"],
      ["Papers", "sealed"],
      ["Quizzes", "sealed"],
    ]);
    expect(rowsOf(judged, "total=course").chosenTotal?.detail).toBe("from released work only");
  });

  it("says how far each assignment is", () => {
    const details = (state: CourseState) => rowsOf(state).seals.map(({ detail }) => detail);
    expect(details(smallCourse())).toEqual(["1 waiting", "nothing in"]);
    const missing = run(judged, {
      type: "setStanding",
      assignmentId: essay,
      studentId: studentId("ben"),
      decision: "missing",
    });
    expect(details(missing)[0]).toBe("1 scored, 1 missing");
    const level = { percent: null };
    const levels = [
      { name: "Pass", ...level },
      { name: "Not yet", ...level },
    ];
    const scaled = run(smallCourse(), { type: "addScale", name: "Pass", kind: "passNotYet", levels });
    const [scaleId = "scale:none" as never] = Object.values(scaled.scales).map(({ id }) => id);
    const passed = run(
      scaled,
      { type: "editAssignment", assignmentId: assignmentId("quiz"), fields: { scoredIn: { kind: "scale", scaleId } } },
      { type: "setScore", assignmentId: assignmentId("quiz"), studentId: studentId("ben"), text: "Pass" },
    );
    expect(details(passed)[1]).toBe("1 judged");
  });

  it("of an empty course is empty, not broken", () => {
    const empty = { ...smallCourse(), assignments: {}, students: {} };
    expect(rowsOf(empty)).toMatchObject({ seals: [], chosen: null, reader: null });
  });
});

describe("what changed since release", () => {
  const words = (...commands: Parameters<typeof run>[1][]) => {
    const state = run(released, ...commands);
    return changedSinceRelease(state, required(state.assignments[essay], "essay")).flatMap(differenceWords);
  };

  it("stands as old and new, criterion by criterion", () => {
    expect(words(level("record", 3))).toEqual([
      { what: "Score", old: "77 / 100", present: "86 / 100" },
      { what: "record", old: "15.5, L2", present: "20, L3" },
    ]);
  });

  it("tells a new standing", () => {
    expect(words({ type: "setStanding", ...ada, decision: "missing" })[0]).toEqual({
      what: "Score",
      old: "77 / 100",
      present: "missing, 0 / 100",
    });
    expect(words({ type: "setStanding", ...ada, decision: "excused" })).toContainEqual({
      what: "Rubric detail",
      old: "shown",
      present: "nothing",
    });
  });

  it("tells other words and other comments", () => {
    expect(words({ type: "setComment", ...ada, facing: "student", text: "Argued." })).toEqual([
      { what: "Overall comment", old: "Well argued.", present: "Argued." },
    ]);
    const comment = {
      type: "setCriterionComment",
      ...ada,
      criterionId: criterionId("record"),
      comment: "Gaps?",
    } as const;
    expect(words(comment)).toEqual([{ what: "Comments on criteria", old: "", present: "record: Gaps?" }]);
  });
});

it("every finding has its sentence, in singular and plural", () => {
  for (const code of FINDING_CODES) {
    for (const count of [1, 5]) {
      const { text } = releaseFindingWords({ code, count });
      if (code !== "moderation_open") expect(text).toContain(String(count));
      expect(text).not.toMatch(/\b1 (papers|students|scores)\b|undefined/);
    }
  }
});

describe("the board's rows", () => {
  const now = "2026-10-27T00:00:00Z" as never;

  it("group the lanes by category and say what each assignment is", () => {
    const rows = atOnce(boardRows(smallCourse(), now));
    expect(rows.groups.map(({ title, lanes }) => [title, lanes.map(({ detail }) => detail)])).toEqual([
      ["Papers · 60 %", ["due 24 Oct 2026 · 100 pts"]],
      ["Quizzes · 40 %", ["on paper · no due date · 20 pts"]],
    ]);
    expect(rows).toMatchObject({ undated: ["Quiz"], weights: null, subtitle: "3 students" });
  });

  it("say what the weights come to when it is not 100", () => {
    expect(
      atOnce(boardRows(run(smallCourse(), { type: "addCategory", name: "More", weight: "5" as never }), now)).weights,
    ).toBe("105.0");
  });
});
