import { describe, expect, it } from "vitest";
import type { Command } from "#core/changes";
import { decimal, required } from "#core/kernel";
import { judgementOf, moderationOf, notesOf, resultOf, secondMarkOf, withRecords, type CourseState } from "#core/model";
import {
  assignmentId,
  criterionId,
  fileId,
  judgedClass,
  Journalled,
  run,
  scoredClass,
  smallCourse,
  studentId,
  PACKET_AT,
  packetOf,
  opened,
  handedOver,
  takenBack,
  paperStates,
  codeIn,
  judgeEssay,
  commentOnEssay,
} from "#core/testing";
import { figuresOf, moderatedPapers } from "#core/totals";
import { comparePacket, readReturned, takeBackOf } from "./index";

const essay = assignmentId("essay");
const quiz = assignmentId("quiz");
const [ada, ben, cleo] = [studentId("ada"), studentId("ben"), studentId("cleo")];
const { judged } = judgedClass();

describe("taken back as scores", () => {
  const expected = run(
    judged,
    ...[ben, cleo].map((id): Command => ({ type: "setStanding", assignmentId: essay, studentId: id, decision: null })),
  );
  const made = packetOf(expected);
  const home = handedOver(expected, made);
  const desk = () => opened(made);

  it("what nobody touched is left alone, what was open is new, what stood here differs, what is the same says so", () => {
    const back = desk().run(judgeEssay(ada, "record", "18"), judgeEssay(cleo, "record", "12"));
    expect(paperStates(home, back.entries)).toEqual({ ada: "differs", ben: "untouched", cleo: "new" });
    const same = run(home, judgeEssay(ada, "record", "18"));
    expect(paperStates(same, back.entries)).toEqual({ ada: "same", ben: "untouched", cleo: "new" });
  });

  it("in the marker's name, in one step that undo takes back whole", () => {
    const back = desk().run(judgeEssay(ada, "record", "18"), commentOnEssay(ada, "Read again."));
    const course = new Journalled(home);
    const returned = readReturned(home, back.entries);
    if (!returned.ok) throw new Error(returned.issue.code);
    const papers = comparePacket(home, returned.value);
    course.run(takeBackOf(home, returned.value, papers, { choices: new Map(), at: PACKET_AT }));
    expect(judgementOf(course.state, essay, ada, criterionId("record")).points).toBe("18");
    expect(resultOf(course.state, essay, ada).overallComment).toBe("Read again.");
    const { change } = required(course.entries.at(-1), "entry");
    expect(change.by).toBe(made.packet.markerId);
    expect(change.line).toBe("Essay: packet of I. Marsh taken back, 1 paper");
    expect(course.undo().state).toEqual(home);
  });

  it("what both changed is a conflict by part: nothing of it is overwritten before it is decided", () => {
    const back = desk().run(judgeEssay(ada, "record", "18"), judgeEssay(ada, "reasoning", "12"));
    const here = run(home, judgeEssay(ada, "record", "14"));
    expect(paperStates(here, back.entries)).toMatchObject({ ada: "conflict" });
    const kept = takenBack(here, back.entries, "here");
    const points = (state: CourseState) =>
      ["record", "reasoning"].map((name) => judgementOf(state, essay, ada, criterionId(name)).points);
    // The other criterion was changed on one side only.
    expect(points(kept)).toEqual(["14", "12"]);
    expect(points(takenBack(here, back.entries, "packet"))).toEqual(["18", "12"]);
  });

  it("notes are added, reworded and taken away, and a note changed on both sides is a conflict", () => {
    const [note] = notesOf(home, essay, ada);
    const { id } = required(note, "note");
    const reworded = desk().run({ type: "editNote", noteId: id, body: "Named well." });
    expect(notesOf(takenBack(home, reworded.entries), essay, ada).map(({ body }) => body)).toEqual(["Named well."]);
    const gone = desk().run({ type: "removeNote", noteId: id });
    expect(notesOf(takenBack(home, gone.entries), essay, ada)).toEqual([]);
    const here = run(home, { type: "editNote", noteId: id, body: "Mine." });
    expect(paperStates(here, gone.entries)).toMatchObject({ ada: "conflict" });
    expect(notesOf(takenBack(here, gone.entries, "here"), essay, ada).map(({ body }) => body)).toEqual(["Mine."]);
  });

  it("leaves out, and says so, what is of a criterion that the rubric has lost since; the rest is taken", () => {
    const back = desk().run(judgeEssay(cleo, "record", "12"), judgeEssay(cleo, "writing", "6"));
    const rubric = required(Object.values(home.rubrics)[0], "rubric");
    const without = withRecords(home, "rubrics", [
      { ...rubric, criteria: rubric.criteria.filter(({ id }) => id !== criterionId("writing")) },
    ]);
    const returned = readReturned(without, back.entries);
    const cleos = returned.ok && comparePacket(without, returned.value).find(({ studentId: id }) => id === cleo);
    expect(cleos && cleos.parts.map(({ state }) => state)).toEqual(["new", "gone"]);
    const taken = takenBack(without, back.entries);
    const points = (name: string) => judgementOf(taken, essay, cleo, criterionId(name)).points;
    expect([points("record"), points("writing")]).toEqual(["12", null]);
  });

  it("twice: there is nothing new and it says so; gone on with, only what is new since", () => {
    const first = desk().run(judgeEssay(ada, "record", "18"));
    const once = takenBack(home, first.entries);
    const again = readReturned(once, first.entries);
    expect(again.ok && again.value.takenBefore).toEqual({ at: PACKET_AT, isOlder: false });
    expect(paperStates(once, first.entries)).toEqual({ ada: "untouched", ben: "untouched", cleo: "untouched" });
    // The marker goes on; what was taken over meanwhile is no conflict.
    const entries = [...first.entries];
    first.run(judgeEssay(ada, "record", "19"));
    expect(paperStates(once, first.entries)).toMatchObject({ ada: "differs" });
    const twice = takenBack(once, first.entries);
    expect(judgementOf(twice, essay, ada, criterionId("record")).points).toBe("19");
    // And the older one comes in after it.
    const older = readReturned(twice, entries);
    expect(older.ok && older.value.takenBefore).toEqual({ at: PACKET_AT, isOlder: false });
    expect(paperStates(twice, entries)).toMatchObject({ ada: "untouched" });
  });

  it("older than what was taken back already: says so, and brings nothing back", () => {
    const marker = desk().run(judgeEssay(ada, "record", "18"));
    const early = [...marker.entries];
    marker.run(judgeEssay(ada, "record", "19"));
    const taken = takenBack(home, marker.entries);
    const older = readReturned(taken, early);
    expect(older.ok && older.value.takenBefore).toEqual({ at: PACKET_AT, isOlder: true });
    expect(paperStates(taken, early)).toMatchObject({ ada: "conflict" });
  });

  it("of another course, of a whole course, or one that this course does not know, is refused", () => {
    const { entries } = desk();
    expect(paperStates(smallCourse({ id: "course:else" as never }), entries)).toBe("packet_of_other_course");
    expect(paperStates(expected, entries)).toBe("packet_unknown");
    expect(paperStates(home, new Journalled(judged).entries)).toBe("not_a_packet");
    const forgotten = run(home, { type: "forgetPacket", packetId: made.packet.id });
    expect(paperStates(forgotten, entries)).toBe("packet_unknown");
  });

  it("leaves out students who have been removed since, and touches no paper outside of the packet", () => {
    const back = desk().run(judgeEssay(ada, "record", "18"), judgeEssay(ben, "record", "10"));
    const without = run(home, { type: "removeStudents", studentIds: [ben] });
    expect(paperStates(without, back.entries)).toEqual({ ada: "differs", cleo: "untouched" });
    const only = packetOf(judged, { studentIds: [ada] });
    const record = { ...resultOf(judged, essay, ben), score: decimal("100") };
    const stray: Command = {
      type: "takeBackPacket",
      packetId: only.packet.id,
      taken: { at: PACKET_AT, seq: 2, changeId: "change:x" as never },
      ...{ results: [record], judgements: [], answers: [], groups: [], notes: [], notesGone: [], secondMarks: [] },
    };
    expect(() => run(handedOver(judged, only), stray)).toThrow("paper of the packet");
  });
});

describe("taken back as second judgements", () => {
  const sampled = run(judged, {
    type: "setModeration",
    assignmentId: essay,
    way: { kind: "all" },
    studentIds: [ada],
    markerName: "I. Marsh",
    blind: true,
    within: decimal("5"),
  });
  const made = packetOf(sampled, { studentIds: [ada], purpose: "second", blind: true });
  const home = handedOver(sampled, made);
  const code = codeIn(made, ada);
  const marker = () =>
    opened(made).run(
      ...["record", "reasoning", "writing"].map((name, at) => judgeEssay(code, name, ["12", "12", "6"][at] ?? "")),
      commentOnEssay(code, "Task 2 is thin."),
    );

  it("stand beside the first and never over it, by the sample's own marker", () => {
    const taken = takenBack(home, marker().entries);
    const mark = required(secondMarkOf(taken, essay, ada), "mark");
    expect(mark.judgements.map(({ points }) => points)).toEqual(["12", "12", "6"]);
    expect(mark).toMatchObject({
      comment: "Task 2 is thin.",
      score: null,
      markerId: moderationOf(taken, essay)?.markerId,
    });
    expect(taken.judgements).toEqual(home.judgements);
    expect(figuresOf(taken).figure(essay, ada).counted).toEqual(figuresOf(home).figure(essay, ada).counted);
    // 81 and 60 of 100: further apart than the five points agreed on.
    expect(moderatedPapers(taken, required(taken.assignments[essay], "essay"))[0]?.state).toBe("apart");
  });

  it("bring their remarks, at the file as it is called here", () => {
    const remarked = marker().run({
      type: "addNote",
      assignmentId: essay,
      studentId: code,
      fileId: required(made.files[0], "file").file.id,
      mark: "pin",
      target: { kind: "point", page: 1, x: 0.5, y: 0.5 },
      criterionId: null,
      body: "Where from?",
    });
    const taken = takenBack(home, remarked.entries);
    expect(secondMarkOf(taken, essay, ada)?.notes).toMatchObject([{ body: "Where from?", fileId: fileId("ada") }]);
    expect(taken.notes).toEqual(home.notes);
  });

  it("are a conflict where one was given here meanwhile, and one figure for the whole stands before the criteria", () => {
    const here = run(home, {
      type: "judgeSecond",
      assignmentId: essay,
      studentId: ada,
      criterionId: criterionId("record"),
      verdict: { kind: "points", text: "13" },
    });
    expect(paperStates(here, marker().entries)).toEqual({ ada: "conflict" });
    expect(secondMarkOf(takenBack(here, marker().entries), essay, ada)?.judgements[0]?.points).toBe("13");
    const whole = marker().run({
      type: "setByHand",
      assignmentId: essay,
      studentId: code,
      text: "70",
      reason: "Whole.",
    });
    const taken = takenBack(home, whole.entries);
    expect(secondMarkOf(taken, essay, ada)?.score).toBe("70");
    expect(moderatedPapers(taken, required(taken.assignments[essay], "essay"))[0]?.second).toEqual({ n: 70n, d: 1n });
  });

  it("are the score where there is no rubric, before what lateness takes", () => {
    const { scored } = scoredClass();
    const assignment = required(scored.assignments[quiz], "quiz");
    const packet = packetOf(scored, { assignment, studentIds: [ada], purpose: "second" });
    const back = opened(packet).run({ type: "setScore", assignmentId: quiz, studentId: ada, text: "15" });
    const taken = takenBack(handedOver(scored, packet), back.entries);
    expect(Object.values(taken.secondMarks).map(({ score }) => score)).toEqual(["15"]);
  });
});
