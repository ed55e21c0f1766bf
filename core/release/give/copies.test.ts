import { runCommand, type Command } from "#core/changes";
import { atOnce, decimal, required, type Instant } from "#core/kernel";
import { FACETS, notesOf, type CourseState, type Facet } from "#core/model";
import { assignmentId, criterionId, fileId, judgedClass, run, smallCourse, studentId, WORLD } from "#core/testing";
import { describe, expect, it } from "vitest";
import { changedSinceRelease, copyState, facetNow, dueReleases, facetOverview, visibleTo } from "../index";

const [essay, quiz] = [assignmentId("essay"), assignmentId("quiz")];

const [ada, ben, cleo] = [studentId("ada"), studentId("ben"), studentId("cleo")];

const onEssay = { assignmentId: essay, studentId: ada };

const draft = <F extends Facet>(state: CourseState, facet: F, who = ada, of = essay) =>
  facetNow(state, required(state.assignments[of], "assignment"), required(state.students[who], "student"), facet);

const judge = (criterion: string, text: string | null, who = ada): Command => ({
  type: "judge",
  assignmentId: essay,
  studentId: who,
  criterionId: criterionId(criterion),
  verdict: text === null ? { kind: "notApplicable" } : { kind: "points", text },
});

const type = (text: string, who = ben, of = quiz): Command => ({
  type: "setScore",
  assignmentId: of,
  studentId: who,
  text,
});

const comment = (text: string): Command => ({ type: "setComment", ...onEssay, facing: "student", text });

const note = (file: string, criterion: string | null): Command => ({
  type: "addNote",
  ...onEssay,
  fileId: fileId(file),
  mark: "highlight",
  target: { kind: "passage", page: 1, start: 0, end: 3, exact: "The", prefix: "", suffix: " river" },
  criterionId: criterion === null ? null : criterionId(criterion),
  body: "Named.",
});

describe("the score a student would be given", () => {
  it.each<[string, Command[], object | null]>([
    ["nothing", [], null],
    [
      "18",
      [type("18")],
      {
        standing: "handedIn",
        points: "18",
        exact: "18/1",
        level: null,
        maximum: "20",
        beforeDeduction: null,
        unitsLate: 0,
      },
    ],
    [
      "late",
      [type("18 l2")],
      {
        standing: "handedIn",
        points: "16",
        exact: "16/1",
        level: null,
        maximum: "20",
        beforeDeduction: "18",
        unitsLate: 2,
      },
    ],
    [
      "missing",
      [type("m")],
      {
        standing: "missing",
        points: "0",
        exact: "0/1",
        level: null,
        maximum: "20",
        beforeDeduction: null,
        unitsLate: 0,
      },
    ],
    [
      "excused",
      [type("x")],
      {
        standing: "excused",
        points: null,
        exact: null,
        level: null,
        maximum: "20",
        beforeDeduction: null,
        unitsLate: 0,
      },
    ],
    [
      "late and set by hand",
      [type("18 l2"), { type: "setByHand", assignmentId: quiz, studentId: ben, text: "17" }],
      {
        standing: "handedIn",
        points: "17",
        exact: "17/1",
        level: null,
        maximum: "20",
        beforeDeduction: null,
        unitsLate: 0,
      },
    ],
  ])("of %s is whole", (_what, commands, expected) => {
    expect(draft(run(smallCourse(), ...commands), "score", ben, quiz)).toEqual(expected);
  });
});

describe("the points a student reads", () => {
  const scaled: Command = {
    type: "scaleAssignment",
    assignmentId: quiz,
    scaling: { kind: "linear", x1: decimal("0"), y1: decimal("0"), x2: decimal("29"), y2: decimal("20") },
  };
  const points = (...commands: Command[]) => draft(run(smallCourse(), ...commands), "score", ben, quiz)?.points;

  it("are as they were entered, to the last of four places", () => {
    expect(points(type("17.25"))).toBe("17.25");
    expect(points(type("17.1234"))).toBe("17.1234");
    expect(points(type("17 l2"), { type: "setByHand", assignmentId: quiz, studentId: ben, text: "16.1234" })).toBe(
      "16.1234",
    );
  });

  it("have the course's places where a rule made them: 19 of 29 is 13.1034... of 20", () => {
    expect(points(type("19"), scaled)).toBe("13.1");
    const two = run(smallCourse({ percentPlaces: 2 }), type("20"), scaled);
    expect(draft(two, "score", ben, quiz)?.points).toBe("13.79");
    expect(draft(run(smallCourse(), type("19"), scaled), "score", ben, quiz)?.exact).toBe("380/29");
  });
});

describe("the rubric detail a student would be given", () => {
  const judged = run(smallCourse(), judge("record", "16"), judge("reasoning", "8"), judge("writing", null));

  it("has every criterion with its level and words, also one that does not apply", () => {
    const words = run(judged);
    const rubric = required(words.rubrics["rubric:essay"], "rubric");
    const described: CourseState = {
      ...words,
      rubrics: {
        [rubric.id]: {
          ...rubric,
          criteria: rubric.criteria.map((one) => ({
            ...one,
            levels: one.levels.map((level) => ({ ...level, descriptor: `${one.name} ${level.name}` })),
          })),
        },
      },
    };
    const blank = { level: null, descriptor: "", points: null };
    expect(draft(described, "rubric")).toEqual({
      answers: [],
      rows: [
        {
          criterionId: "criterion:record",
          name: "record",
          points: "16",
          maximum: "20",
          level: "L3",
          descriptor: "record L3",
          notApplicable: false,
        },
        {
          criterionId: "criterion:reasoning",
          name: "reasoning",
          points: "8",
          maximum: "20",
          level: "L2",
          descriptor: "reasoning L2",
          notApplicable: false,
        },
        { criterionId: "criterion:writing", name: "writing", maximum: "10", notApplicable: true, ...blank },
      ],
    });
  });

  it("has no level for points between two", () => {
    const between: Command = {
      type: "judge",
      ...onEssay,
      criterionId: criterionId("record"),
      verdict: { kind: "points", text: "8.25" },
      confirmed: true,
    };
    expect(draft(run(judged, between), "rubric")?.rows[0]).toMatchObject({
      points: "8.25",
      level: null,
      descriptor: "",
    });
  });

  it("is nothing while a criterion is open, for the missing and excused, and without a rubric", () => {
    expect(draft(run(smallCourse(), judge("record", "16")), "rubric")).toBeNull();
    expect(draft(run(judged, { type: "setStanding", ...onEssay, decision: "missing" }), "rubric")).toBeNull();
    expect(draft(run(judged, { type: "setStanding", ...onEssay, decision: "excused" }), "rubric")).toBeNull();
    expect(draft(run(smallCourse(), type("18")), "rubric", ben, quiz)).toBeNull();
  });
});

describe("the comments a student would be given", () => {
  it("are nothing without any, and each kind alone is enough", () => {
    expect(draft(smallCourse(), "comments")).toBeNull();
    expect(draft(run(smallCourse(), comment("   ")), "comments")).toBeNull();
    expect(draft(run(smallCourse(), comment(" Well argued. ")), "comments")).toEqual({
      overall: "Well argued.",
      criteria: [],
      files: [],
      attachments: [],
      notes: [],
    });
    const onRecord: Command = {
      type: "setCriterionComment",
      ...onEssay,
      criterionId: criterionId("record"),
      comment: " Ten years? ",
    };
    expect(draft(run(smallCourse(), onRecord), "comments")).toEqual({
      overall: "",
      criteria: [{ criterionId: "criterion:record", name: "record", comment: "Ten years?" }],
      files: [],
      attachments: [],
      notes: [],
    });
  });

  it("bring only the files that are marked, and notes without their marker", () => {
    const twoFiles = run(smallCourse(), {
      type: "addHandIn",
      ...onEssay,
      at: "2026-10-24T11:30:00Z" as Instant,
      files: [{ id: fileId("two"), name: "two.txt", mediaType: "text/plain", size: 3 }],
    });
    const copy = draft(run(twoFiles, note("ada", "record"), note("ada", null)), "comments");
    expect(copy?.files.map(({ name }) => name)).toEqual(["ada.pdf"]);
    expect(copy?.notes.map(({ criterionName, body }) => [criterionName, body])).toEqual([
      ["record", "Named."],
      [null, "Named."],
    ]);
    expect(Object.keys(copy?.notes[0] ?? {})).not.toContain("by");
    expect(Object.keys(copy?.notes[0] ?? {})).not.toContain("createdAt");
  });

  it("on work without a rubric or a hand-in name neither criteria nor files", () => {
    const state = run(smallCourse(), {
      type: "setComment",
      assignmentId: quiz,
      studentId: ben,
      facing: "student",
      text: "Neat.",
    });
    expect(draft(state, "comments", ben, quiz)).toEqual({
      overall: "Neat.",
      criteria: [],
      files: [],
      attachments: [],
      notes: [],
    });
  });
});

describe("the table of seals", () => {
  const scored = run(smallCourse(), type("18"), type("12", cleo));
  const overview = (state: CourseState, facet: "score" | "rubric" | "comments", of = quiz) => {
    const { ready, given, changed, empty, release } = atOnce(
      facetOverview(state, required(state.assignments[of], "assignment"), facet),
    );
    return { ready, given, changed, empty, state: release.state };
  };
  const copy = (state: CourseState, who = ben) =>
    copyState(state, required(state.assignments[quiz], "quiz"), required(state.students[who], "student"), "score");
  const release: Command = { type: "release", assignmentId: quiz, facets: ["score"] };

  it("says who could be given what, who has it, and for whom it changed or went away", () => {
    expect(overview(scored, "score")).toEqual({
      ready: [ben, cleo],
      given: [],
      changed: [],
      empty: false,
      state: "sealed",
    });
    const given = run(scored, release);
    expect(overview(given, "score")).toEqual({
      ready: [],
      given: [ben, cleo],
      changed: [],
      empty: false,
      state: "released",
    });
    const later = run(given, type("19"), type("-", cleo));
    expect(overview(later, "score")).toEqual({
      ready: [],
      given: [ben, cleo],
      changed: [ben, cleo],
      empty: false,
      state: "released",
    });
    expect([copy(scored, ada), copy(scored), copy(given), copy(later), copy(later, cleo)]).toEqual([
      "nothing",
      "ready",
      "given",
      "changed",
      "withdrawn",
    ]);
  });

  it("knows that rubric detail without a rubric, and nothing else, stays empty", () => {
    expect(overview(scored, "rubric").empty).toBe(true);
    expect(overview(scored, "comments").empty).toBe(false);
    expect(overview(scored, "rubric", essay).empty).toBe(false);
  });

  it("lists changes only of what is out", () => {
    const quizOf = (state: CourseState) => required(state.assignments[quiz], "quiz");
    const list = (state: CourseState) =>
      changedSinceRelease(state, quizOf(state)).map(({ student, facet }) => [student.id, facet]);
    const given = run(scored, release);
    expect(list(run(given, type("19")))).toEqual([[ben, "score"]]);
    expect(list(given)).toEqual([]);
    const sealed = run(given, { type: "seal", assignmentId: quiz, facets: ["score"] }, type("19"));
    expect(list(sealed)).toEqual([]);
  });

  it("gives out what is timed once its moment has come, and nothing before", () => {
    const at = "2026-11-01T08:00:00Z" as Instant;
    const timed = run(scored, { type: "timeRelease", assignmentId: quiz, facets: ["score"], at });
    expect(dueReleases(timed, "2026-11-01T07:59:59Z" as Instant)).toEqual([]);
    expect(dueReleases(timed, at).map(({ assignmentId: of }) => of)).toEqual([quiz]);
    expect(dueReleases(run(scored, release), at)).toEqual([]);
  });

  it("shows a student the newest first, with what they need to know of the work", () => {
    const both = run(
      scored,
      { ...type("70", ben, essay), now: "2026-10-27T08:00:00Z" },
      { ...release, now: "2026-10-28T08:00:00Z" },
      { type: "release", assignmentId: essay, facets: ["score"], now: "2026-10-29T08:00:00Z" },
    );
    const seen = visibleTo(both, ben);
    expect(seen.map(({ assignment, at }) => [assignment, at])).toEqual([
      [{ id: essay, name: "Essay", points: "100", dueAt: "2026-10-24T12:00:00Z" }, "2026-10-29T08:00:00Z"],
      [{ id: quiz, name: "Quiz", points: "20", dueAt: null }, "2026-10-28T08:00:00Z"],
    ]);
    expect(visibleTo(both, ada)).toEqual([]);
  });
});

describe("a fixed copy", () => {
  const { judgeAll, essay, ada, ben, essayOf, student, judged, seen, release } = judgedClass();

  it("keeps the name it was given under, until it is given out again", () => {
    const rename = (name: string) => ({ type: "editAssignment", assignmentId: essay, fields: { name } }) as const;
    const names = (state: CourseState) => seen(state).map(({ assignment }) => assignment.name);
    const renamed = run(judged, release("score"), rename("Essay on the river"));
    expect(names(renamed)).toEqual(["Essay"]);
    expect(names(run(renamed, release("comments")))).toEqual(["Essay on the river"]);
  });

  const released = run(judged, release(...FACETS));

  it("stays as it was while the instructor changes things", () => {
    const changed = run(released, ...judgeAll(ada, "20", "20", "10"), {
      type: "setComment",
      ...ada,
      facing: "student",
      text: "Better than I thought.",
    });
    expect(seen(changed)[0]?.score?.points).toBe("81");
    expect(seen(changed)[0]?.comments?.overall).toBe("Well argued.");
  });

  it("is listed old beside new, and goes out when it is released again", () => {
    const changed = run(released, ...judgeAll(ada, "20", "20", "10"));
    const differences = changedSinceRelease(changed, essayOf(changed));
    expect(differences.map(({ facet }) => facet)).toEqual(["score", "rubric"]);
    expect(differences[0]).toMatchObject({ old: { points: "81" }, present: { points: "100" } });
    const corrected = run(changed, { ...release("score", "rubric"), studentIds: [ada.studentId] });
    expect(seen(corrected)[0]?.score?.points).toBe("100");
    expect(changedSinceRelease(corrected, essayOf(corrected))).toEqual([]);
  });

  it("is withdrawn when there is nothing to show any more", () => {
    const gone = run(
      released,
      { type: "setComment", ...ada, facing: "student", text: "" },
      { type: "removeNote", noteId: required(notesOf(released, essay, ada.studentId)[0], "note").id },
    );
    expect(copyState(gone, essayOf(gone), student(gone, ada), "comments")).toBe("withdrawn");
    const corrected = run(gone, release("comments"));
    expect(seen(corrected)[0]?.comments).toBeNull();
  });

  it("is not touched by a private note", () => {
    const noted = run(released, { type: "setComment", ...ada, facing: "private", text: "another secret" });
    expect(changedSinceRelease(noted, essayOf(noted))).toEqual([]);
  });

  it("does not reach a student who is scored after the release until they are released too", () => {
    const first = run(smallCourse(), ...judgeAll(ada, "15.5", "17", "8"), release("score"));
    const later = run(first, { type: "setScore", ...ben, text: "70" });
    expect(seen(later, ben)).toEqual([]);
    expect(atOnce(facetOverview(later, essayOf(later), "score"))).toMatchObject({
      ready: [ben.studentId],
      given: [ada.studentId],
    });
    expect(seen(run(later, release("score")), ben)[0]?.score?.points).toBe("70");
  });

  it("is refused when there is nothing new to release", () => {
    const again = runCommand(released, release(...FACETS), WORLD);
    expect(again).toMatchObject({ ok: false, issue: { code: "nothing_to_release" } });
  });
});
