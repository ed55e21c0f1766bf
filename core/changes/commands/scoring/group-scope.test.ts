import { pointsText, required } from "#core/kernel";
import { handInOf, judgementOf, notesOf, resultOf, type CourseState } from "#core/model";
import { facetNow } from "#core/release";
import { assignmentId, criterionId, fileId, run, smallCourse, studentId } from "#core/testing";
import { figuresOf } from "#core/totals";
import { describe, expect, it } from "vitest";
import { type Command } from "../../engine/registry";

const essay = assignmentId("essay");

const [ada, ben, cleo] = [studentId("ada"), studentId("ben"), studentId("cleo")];

const onAda = { assignmentId: essay, studentId: ada };

describe("a group judged as one", () => {
  const grouped = run(smallCourse(), {
    type: "formGroups",
    assignmentId: essay,
    groups: [{ name: "Pair", memberIds: [ada, ben] }],
  });
  const judge = (studentOne: typeof ada, text: string, criterion: string, wholeGroup: boolean): Command => ({
    type: "judge",
    assignmentId: essay,
    studentId: studentOne,
    criterionId: criterionId(criterion),
    verdict: { kind: "points", text },
    wholeGroup,
  });
  const all = ["record", "reasoning", "writing"].map((name, index) =>
    judge(ada, ["16", "17", "8"][index] ?? "", name, true),
  );
  const score = (state: CourseState, who: typeof ada) => {
    const { counted } = figuresOf(state).figure(essay, who);
    return counted && pointsText(counted);
  };

  it("hands in for all, and gives every member the same, with a part of their own: 41 of 50 is 82, 78.5 with 3.5 off", () => {
    expect(handInOf(grouped, essay, ben)?.studentId).toBe(ada);
    expect(figuresOf(grouped).figure(essay, ben)).toMatchObject({ standing: "handedIn", waiting: true });
    expect(handInOf(grouped, essay, cleo)).toBeUndefined();
    const judged = run(grouped, ...all, { type: "adjustMember", assignmentId: essay, studentId: ben, text: "-3.5" });
    expect([score(judged, ada), score(judged, ben), score(judged, cleo)]).toEqual(["82", "78.5", null]);
  });

  it("leaves who was judged alone with what they were given, and who is missing or excused alone", () => {
    const alone = run(grouped, ...all, judge(ben, "10", "record", false), judge(ada, "20", "record", true));
    expect(judgementOf(alone, essay, ben, criterionId("record")).points).toBe("10");
    expect(judgementOf(alone, essay, ada, criterionId("record")).points).toBe("20");
    const excused = run(
      grouped,
      { type: "setStanding", assignmentId: essay, studentId: ben, decision: "excused" },
      ...all,
    );
    expect(judgementOf(excused, essay, ben, criterionId("record")).points).toBeNull();
    expect(figuresOf(excused).figure(essay, ben).standing).toBe("excused");
  });

  it("has comments and notes for all, or for one member", () => {
    const comment = (text: string, wholeGroup: boolean): Command => ({
      type: "setComment",
      ...onAda,
      facing: "student",
      text,
      wholeGroup,
    });
    const both = run(grouped, comment("Together.", true));
    expect(resultOf(both, essay, ben).overallComment).toBe("Together.");
    expect(resultOf(run(both, comment("Ada alone.", false)), essay, ben).overallComment).toBe("Together.");
    const note = (forGroup: boolean): Command => ({
      type: "addNote",
      ...onAda,
      fileId: fileId("ada"),
      mark: "pin",
      target: { kind: "point", page: 1, x: 0.5, y: 0.5 },
      criterionId: null,
      body: forGroup ? "To both" : "To Ada",
      forGroup,
    });
    const noted = run(grouped, note(true), note(false));
    expect(notesOf(noted, essay, ben).map(({ body }) => body)).toEqual(["To both"]);
    expect(notesOf(noted, essay, ada)).toHaveLength(2);
    expect(notesOf(noted, essay, cleo)).toEqual([]);
  });

  it("reads in a mate's copy nothing of a file the mate handed in alone: the words stay, the passage goes", () => {
    const passage = { kind: "passage", page: 1, start: 0, end: 9, exact: "Ada alone", prefix: "", suffix: "" } as const;
    const note = (body: string): Command => ({
      type: "addNote",
      ...onAda,
      fileId: fileId("ada"),
      mark: "highlight",
      target: passage,
      criterionId: null,
      body,
      forGroup: true,
    });
    const notesFor = (state: CourseState, who: typeof ada) => {
      const [assignment, student] = [required(state.assignments[essay], "essay"), required(state.students[who], "who")];
      return facetNow(state, assignment, student, "comments")?.notes ?? [];
    };
    const shared = run(grouped, note("To both"), note(""));
    expect(notesFor(shared, ben).map(({ target }) => target)).toEqual([passage, passage]);
    const own = { id: fileId("ben"), name: "ben.pdf", mediaType: "application/pdf", size: 1 };
    const apart = run(shared, { type: "addHandIn", assignmentId: essay, studentId: ben, at: null, files: [own] });
    expect(notesFor(apart, ada)).toHaveLength(2);
    const given = notesFor(apart, ben);
    expect(given.map(({ body, target }) => [body, target.kind])).toEqual([["To both", "point"]]);
    expect(JSON.stringify(given)).not.toMatch(/Ada alone|student:ada/);
    expect(JSON.stringify(notesFor(shared, ben))).not.toContain("student:ada");
  });
});
