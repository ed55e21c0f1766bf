import { describe, expect, it } from "vitest";
import { pointsText, required, type Id, type Instant } from "#core/kernel";
import { handInOf, judgementOf, messagesOf, notesOf, resultOf, type CourseState } from "#core/model";
import { canReply, draftFacet, preflight, unreadReplies, visibleMessages } from "#core/release";
import { lackingEvidence } from "#core/scoring";
import { figuresOf } from "#core/totals";
import { assignmentId, criterionId, fileId, run, smallCourse, studentId, WORLD } from "#core/testing";
import { runCommand, type Command } from "./engine/registry";

const essay = assignmentId("essay");
const [ada, ben, cleo] = [studentId("ada"), studentId("ben"), studentId("cleo")];
const onAda = { assignmentId: essay, studentId: ada };
const refused = (state: CourseState, command: Command) => {
  const done = runCommand(state, command, WORLD);
  return done.ok ? null : done.issue;
};
const assignment = (state: CourseState) => state.assignments[essay] as NonNullable<(typeof state.assignments)[string]>;

describe("the conversation on a paper", () => {
  const send = (text: string, type: "sendMessage" | "replyAsStudent" = "sendMessage"): Command => ({
    type,
    ...onAda,
    text,
    files: [],
  });

  it("shows the student the marker's words only once the comments are open, and their own always", () => {
    const written = run(smallCourse(), send("Well begun."), send("May I ask?", "replyAsStudent"));
    const seen = (state: CourseState) => visibleMessages(state, assignment(state), ada).map(({ text }) => text);
    expect(seen(written)).toEqual(["May I ask?"]);
    expect(canReply(written, assignment(written), ada)).toBe(false);
    const open = run(
      written,
      { type: "setComment", ...onAda, facing: "student", text: "Good." },
      { type: "release", assignmentId: essay, facets: ["comments"] },
    );
    expect(seen(open)).toEqual(["Well begun.", "May I ask?"]);
    expect(canReply(open, assignment(open), ada)).toBe(true);
    expect(seen(run(open, { type: "holdResult", ...onAda, held: true }))).toEqual(["May I ask?"]);
  });

  it("counts what the other side has not read, until it is read", () => {
    const written = run(smallCourse(), send("One?", "replyAsStudent"), send("Two?", "replyAsStudent"), send("Yes."));
    expect(unreadReplies(written).map(({ student, count }) => [student.id, count])).toEqual([[ada, 2]]);
    const facets = ["score"] as const;
    expect(
      preflight({ state: written, assignment: assignment(written), facets }).find(
        ({ code }) => code === "replies_unread",
      )?.count,
    ).toBe(1);
    const read = run(written, { type: "readMessages", ...onAda, side: "marker" });
    expect(unreadReplies(read)).toEqual([]);
    expect(messagesOf(read, essay, ada).map(({ readAt }) => readAt)).toEqual([WORLD.at, WORLD.at, null]);
    expect(refused(read, { type: "readMessages", ...onAda, side: "marker" })).toEqual({ code: "nothing_to_change" });
  });

  it("refuses to send nothing", () => {
    expect(refused(smallCourse(), send("  "))).toEqual({ code: "nothing_to_change" });
  });
});

describe("files as feedback", () => {
  const file = { id: fileId("spoken"), name: "Feedback 1.weba", mediaType: "audio/webm", size: 9 };

  it("go out with the comments, even alone, and are taken off again", () => {
    const added = run(smallCourse(), { type: "addFeedbackFile", ...onAda, file });
    const draft = (state: CourseState) =>
      draftFacet(state, assignment(state), state.students[ada] as never, "comments");
    expect(draft(added)?.attachments).toEqual([file]);
    const gone = run(added, { type: "removeFeedbackFile", ...onAda, fileId: file.id });
    expect(draft(gone)).toBeNull();
    expect(refused(gone, { type: "removeFeedbackFile", ...onAda, fileId: file.id })).toMatchObject({ what: "file" });
  });
});

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
      return draftFacet(state, assignment, student, "comments")?.notes ?? [];
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

describe("evidence that a rubric asks for", () => {
  it("is lacking where points were given without a passage, and pointed out before a release", () => {
    const rubric = smallCourse().rubrics["rubric:essay"];
    if (!rubric) throw new Error("no rubric");
    const criteria = rubric.criteria.map((one) => ({ ...one, asksEvidence: one.name !== "writing" }));
    const asking: CourseState = { ...smallCourse(), rubrics: { [rubric.id]: { ...rubric, criteria } } };
    const judged = run(asking, {
      type: "judge",
      ...onAda,
      criterionId: criterionId("record"),
      verdict: { kind: "level", digit: 2 },
    });
    const lacking = (state: CourseState) =>
      lackingEvidence({ criteria }, ({ id }) => judgementOf(state, essay, ada, id), notesOf(state, essay, ada)).map(
        ({ name }) => name,
      );
    expect([lacking(asking), lacking(judged)]).toEqual([[], ["record"]]);
    expect(
      preflight({ state: judged, assignment: assignment(judged), facets: ["score"] }).find(
        ({ code }) => code === "evidence_lacking",
      )?.count,
    ).toBe(1);
    const target = { kind: "passage", page: 1, start: 0, end: 4, exact: "word", prefix: "", suffix: "" } as const;
    const note = { mark: "highlight", target, criterionId: criterionId("record"), body: "" } as const;
    expect(lacking(run(judged, { type: "addNote", ...onAda, fileId: fileId("ada"), ...note }))).toEqual([]);
  });
});

describe("remarks that come back in a file", () => {
  const target = { kind: "passage" as const, page: 1, start: 0, end: 4, exact: "word", prefix: "", suffix: "" };
  const note = (id: string, body: string, criterion = "record") => ({
    id,
    mark: "highlight" as const,
    target,
    criterionId: criterionId(criterion),
    colour: null,
    body,
  });
  const takeIn = (...notes: ReturnType<typeof note>[]): Command => ({
    type: "takeInNotes",
    ...onAda,
    fileId: fileId("ada"),
    notes,
  });

  it("are added once; known ones take over other words and keep their place", () => {
    const once = run(smallCourse(), takeIn(note("elsewhere", "Why?")));
    const [first] = notesOf(once, essay, ada);
    expect(first).toMatchObject({ body: "Why?", criterionId: "criterion:record" });
    expect(refused(once, takeIn(note("elsewhere", "Why?")))).toEqual({ code: "nothing_to_change" });
    const edited = run(once, takeIn({ ...note(first?.id ?? "", "Why so?"), target: { ...target, start: 9 } }));
    expect(notesOf(edited, essay, ada)).toMatchObject([{ body: "Why so?", target: { start: 0 } }]);
  });

  it("are evidence only for criteria the rubric has, and stand on files that are there", () => {
    const taken = run(smallCourse(), takeIn(note("x", "?", "unknown")));
    expect(notesOf(taken, essay, ada)[0]?.criterionId).toBeNull();
    expect(refused(smallCourse(), { ...takeIn(note("x", "")), fileId: fileId("none") } as Command)).toMatchObject({
      what: "file",
    });
  });
});

describe("posts of a discussion", () => {
  const quiz = assignmentId("quiz");
  const post = (id: string, who: typeof ada, replyTo: string | null = null) => ({
    id: `post:${id}` as Id<"post">,
    studentId: who,
    replyTo: replyTo === null ? null : (`post:${replyTo}` as Id<"post">),
    at: "2026-10-20T10:00:00Z" as Instant,
    text: id,
  });
  const file = { id: fileId("posts"), name: "Posts N1.html", mediaType: "text/html", size: 5 };
  const takeIn = (...posts: ReturnType<typeof post>[]): Command => ({
    type: "takeInPosts",
    assignmentId: quiz,
    posts,
    handIns: [{ studentId: ada, at: "2026-10-20T10:00:00Z" as Instant, file }],
  });

  it("become the hand-ins of who posted; a new list takes the place of the old one", () => {
    const taken = run(smallCourse(), takeIn(post("one", ada), post("two", ben, "one")));
    expect(Object.keys(taken.posts)).toHaveLength(2);
    expect(handInOf(taken, quiz, ada)?.attempts[0]?.files).toEqual([file]);
    expect(figuresOf(taken).figure(quiz, cleo).standing).toBe("expected");
    const again = run(taken, takeIn(post("one", ada)));
    expect(Object.keys(again.posts)).toEqual(["post:one"]);
    expect(handInOf(again, quiz, ada)?.attempts).toHaveLength(2);
    expect(refused(taken, takeIn(post("x", studentId("zoe"))))).toMatchObject({ what: "student" });
  });
});
