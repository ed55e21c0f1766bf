import { describe, expect, it } from "vitest";
import { runCommand, type Command } from "#core/changes";
import { ratio, type Id, type Instant } from "#core/kernel";
import { releaseOf, totalCopiesOf, type CourseState, type Facet } from "#core/model";
import {
  changedTotalCopies,
  readingOf,
  remindersFor,
  visibleChanges,
  visibleTo,
  visibleTotals,
  type ReminderFilter,
} from "#core/release";
import { assignmentId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { toldWords } from "#core/words";

const essay = assignmentId("essay");
const quiz = assignmentId("quiz");
const [ada, ben, cleo] = [studentId("ada"), studentId("ben"), studentId("cleo")];
const EVERYONE = [ada, ben, cleo];

const score = (assignment: typeof essay, student: typeof ada, text: string): Command => ({
  type: "setScore",
  assignmentId: assignment,
  studentId: student,
  text,
});
const HERON = "section:heron" as Id<"section">;
const inHeron = (state: CourseState): CourseState => ({
  ...state,
  sections: { [HERON]: { id: HERON, name: "Heron", order: 0 } },
  students: { ...state.students, [ada]: { ...state.students[ada], sectionId: HERON } as never },
});

/** Everyone scored in both; Ada in the section Heron. */
const scored = inHeron(
  run(
    smallCourse({ lateRule: null }),
    ...EVERYONE.flatMap((student, index) => [
      score(essay, student, String(70 + index)),
      score(quiz, student, String(12 + index)),
    ]),
  ),
);
const scoresSeen = (state: CourseState) =>
  EVERYONE.map((student) => visibleTo(state, student).map(({ score: shown }) => shown?.points ?? null));
const release = (fields: Partial<Extract<Command, { type: "release" }>> = {}): Command => ({
  type: "release",
  assignmentId: essay,
  facets: ["score"],
  ...fields,
});
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

describe("a hold", () => {
  const given = run(scored, release());
  it("of an assignment hides it from all, with its reason kept from students", () => {
    const held = run(given, {
      type: "holdAssignment",
      assignmentId: essay,
      held: true,
      reason: "board meets Thursday",
    });
    expect(scoresSeen(held)).toEqual([[], [], []]);
    expect(held.assignments[essay]?.heldReason).toBe("board meets Thursday");
    const free = run(held, { type: "holdAssignment", assignmentId: essay, held: false });
    expect(scoresSeen(free)).toEqual([["70"], ["71"], ["72"]]);
    expect(free.assignments[essay]?.heldReason).toBe("");
  });

  it("of one student hides it from them alone", () => {
    const place = { assignmentId: essay, studentId: ben };
    expect(scoresSeen(run(given, { type: "holdResult", ...place, held: true, reason: "appeal" }))).toEqual([
      ["70"],
      [],
      ["72"],
    ]);
  });
});

describe("totals as fixed copies", () => {
  const open: Command = { type: "sealTotal", id: "course", state: "released", at: null, shows: "percent" };
  const texts = (state: CourseState) => EVERYONE.map((id) => visibleTotals(state, id)[0]?.text ?? null);

  it("follow each release where they rest on released work: 70 and 12 of 20 at 60 to 40 make 66.0 (by hand)", () => {
    const first = run(scored, release(), open);
    expect(texts(first)).toEqual(["70.0", "71.0", "72.0"]);
    const second = run(first, release({ assignmentId: quiz }));
    expect(texts(second)).toEqual(["66.0", "68.6", "71.2"]);
  });

  it("stay as they were given where they rest on all work, until they are given again", () => {
    const all = run(scored, { type: "restTotals", on: "all" }, open);
    const edited = run(all, score(quiz, ada, "20"));
    expect(texts(edited)).toEqual(["66.0", "68.6", "71.2"]);
    expect(changedTotalCopies(edited, WORLD.at)).toMatchObject([{ id: "course", old: "66.0", present: "82.0" }]);
    expect(texts(run(edited, { type: "releaseTotals", studentIds: [ada] }))).toEqual(["82.0", "68.6", "71.2"]);
  });

  it("tell how they came about, and no score that is sealed afterwards", () => {
    const all = run(scored, { type: "restTotals", on: "all" }, release(), open);
    const lines = (state: CourseState) =>
      visibleTotals(state, ada)[0]?.parts.map(({ told, items }) => [
        toldWords(told),
        items.map((item) => toldWords(item.told)),
      ]);
    expect(lines(all)).toEqual([
      ["70.0 %", ["70 / 100"]],
      [null, [null]],
    ]);
    const sealed = run(all, { type: "seal", assignmentId: essay, facets: ["score"] });
    expect(lines(sealed)).toEqual([
      [null, [null]],
      [null, [null]],
    ]);
    expect(visibleTotals(sealed, ada)[0]).toMatchObject({ text: "66.0", restsOnSealed: true });
  });

  it("say that they take in sealed work only where their own category does", () => {
    const all = run(scored, { type: "restTotals", on: "all" }, release(), {
      type: "sealTotal",
      id: "category:papers",
      together: ["category:quizzes"],
      state: "released",
      at: null,
      shows: "percent",
    });
    expect(visibleTotals(all, ada).map(({ name, restsOnSealed }) => [name, restsOnSealed])).toEqual([
      ["Papers", false],
      ["Quizzes", true],
    ]);
  });

  it("go out at their moment, and a total of a category can be shown as its letter alone", () => {
    const timed = run(scored, release(), {
      type: "sealTotal",
      id: "category:papers",
      state: "timed",
      at: at("2026-11-02T08:00:00Z"),
      shows: "letter",
    });
    expect(texts(timed)).toEqual([null, null, null]);
    const due = run(timed, { type: "releaseDue", now: "2026-11-02T08:00:00Z" });
    expect(texts(due)).toEqual(["F", "F", "F"]);
    expect(totalCopiesOf(due, ada)).toMatchObject([{ id: "category:papers", shows: "letter" }]);
  });
});

describe("what a change would do to what students see", () => {
  it("names who sees newly, otherwise and no longer", () => {
    const given = run(scored, release({ studentIds: [ada, ben] }));
    const changed = run(given, score(essay, ada, "90"), release(), {
      type: "seal",
      assignmentId: essay,
      facets: ["score"],
      studentIds: [ben],
    });
    expect(visibleChanges(given, changed)).toEqual([
      { what: "Essay", assignmentId: essay, facet: "score", gain: [cleo], change: [ada], lose: [ben] },
    ]);
    expect(visibleChanges(given, run(given, score(quiz, ada, "19")))).toEqual([]);
  });

  it("counts a letter as read once it was opened, and as older when something newer came", () => {
    const given = run(scored, release());
    expect(readingOf(given, essay, ada)).toBe("unopened");
    const opened = run(given, {
      type: "openLetter",
      studentId: ada,
      assignmentIds: [essay, quiz],
      totals: true,
      now: "2026-10-27T09:00:00Z",
    });
    expect(readingOf(opened, essay, ada)).toBe("opened");
    // What they cannot see is not opened.
    expect(readingOf(opened, quiz, ada)).toBe("unopened");
    const again = run(opened, score(essay, ada, "75"), { ...release(), now: "2026-10-28T09:00:00Z" });
    expect(readingOf(again, essay, ada)).toBe("older");
  });
});

describe("class figures", () => {
  it("over fewer than five students are never given out", () => {
    const asked = runCommand(scored, release({ facets: ["classFigures"] }), WORLD);
    expect(asked.ok && visibleTo(asked.value.state, ada)).toEqual([]);
  });

  it("over five and more are mean and median: 70, 71, 72, 80, 92 make 77.0 and 72.0 (by hand)", () => {
    const more = run(smallCourse({ lateRule: null }), {
      type: "addStudents",
      students: ["D", "E"].map((name) => ({ number: name, givenName: name, familyName: name, sectionId: null })),
    });
    const figures = ["70", "71", "72", "80", "92"];
    const all = run(
      more,
      ...Object.values(more.students).map((student, index) => score(essay, student.id, figures[index] ?? "")),
      release({ facets: ["classFigures"] }),
    );
    expect(visibleTo(all, ada)[0]?.classFigures).toEqual({ students: 5, mean: "77.0", median: "72.0", maximum: "100" });
  });
});

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
