import { describe, expect, it } from "vitest";
import { readWholeCourseFile, sourceOf, writeProvenCourseFile } from "#core/formats";
import { decimal, required } from "#core/kernel";
import { blankRecord, cutAt, judgementOf, notesOf, recordsOf, resultOf, withRecords } from "#core/model";
import {
  assignmentId,
  criterionId,
  fileId,
  judgedClass,
  run,
  studentId,
  PACKET_AT,
  packetOf,
  opened,
  handedOver,
  takenBack,
  codeIn,
  judgeEssay,
} from "#core/testing";

const essay = assignmentId("essay");
const [ada, ben] = [studentId("ada"), studentId("ben")];
const { judged } = judgedClass();

describe("a packet", () => {
  it("is a course of its own: one assignment with its rubric, the chosen papers, their files, what was judged", () => {
    const made = packetOf(judged, { studentIds: [ada] });
    const { state } = opened(made);
    expect(Object.keys(state.assignments)).toEqual([essay]);
    expect(Object.keys(state.students)).toEqual([ada]);
    expect(judgementOf(state, essay, ada, criterionId("record")).points).toBe("15.5");
    expect(resultOf(state, essay, ada).overallComment).toBe("Well argued.");
    expect(notesOf(state, essay, ada)).toHaveLength(1);
    expect(made.files.map(({ from, file }) => [from, file.name])).toEqual([[fileId("ada"), "ada.pdf"]]);
    // Never what is private to the one who hands it over.
    expect(JSON.stringify(made.entries)).not.toContain("SECRET");
  });

  it("goes through a course file and back unchanged", async () => {
    const made = packetOf(judged);
    const files = new Map(made.files.map(({ file }) => [file.id, new Uint8Array([1, 2, 3])]));
    const written = await writeProvenCourseFile(sourceOf({ entries: made.entries, files }), PACKET_AT);
    const back = written.ok && (await readWholeCourseFile(written.value.file));
    expect(back && back.ok && back.value.entries).toEqual(JSON.parse(JSON.stringify(made.entries)));
  });

  it("blind holds no name, no number, no name of a file, no judgement and no comment of before", () => {
    const named = run(judged, judgeEssay(ada, "reasoning", "11.5"), {
      type: "setCriterionComment",
      assignmentId: essay,
      studentId: ada,
      criterionId: criterionId("writing"),
      comment: "Commas, Ada.",
    });
    const made = packetOf(named, { blind: true, purpose: "second" });
    const text = JSON.stringify([made.entries, made.files.map(({ file }) => file)]);
    for (const told of ["Ada", "ada", "Ames", "N1", "Ben", "Bolt", "Well argued", "11.5", "Commas", "Good: you"]) {
      expect(text).not.toContain(told);
    }
    const { state } = opened(made);
    expect(Object.values(state.students).map(({ givenName, familyName }) => `${givenName} ${familyName}`)).toEqual([
      "Paper 1",
      "Paper 2",
      "Paper 3",
    ]);
    // Who is missing or excused needs no judging.
    expect(resultOf(state, essay, codeIn(made, ben)).decision).toBe("missing");
    expect(Object.values(cutAt(state, "judgements", essay) ?? {})).toEqual([]);
    expect(made.files[0]?.file.name).toMatch(/^paper-[123]-1\.pdf$/);
  });

  it("blind has an order that tells nothing: another number shuffles otherwise", () => {
    const orders = [20_260_101, 774_123_456, 1_400_000_007, 91_919, 2_000_111_222, 555_000_111].map((seed) =>
      packetOf(judged, { blind: true }, seed)
        .packet.papers.map(({ studentId: id }) => id)
        .join(),
    );
    expect(new Set(orders).size).toBeGreaterThan(2);
  });

  it("blind covers who is spoken to in a discussion, and the writer's own name in an answer", () => {
    const post = (id: string, who: typeof ada, text: string, replyTo: string | null = null) =>
      ({ id, assignmentId: essay, studentId: who, replyTo, at: PACKET_AT, text }) as never;
    const talked = withRecords(judged, "posts", [
      post("post:1", ada, "Ada Ames begins."),
      post("post:2", ben, "Ada, you are right. The Bolt Weir stands.", "post:1"),
    ]);
    const { state } = opened(packetOf(talked, { blind: true }));
    expect(Object.values(state.posts).map(({ text, replyTo }) => [text, replyTo])).toEqual([
      ["███ ████ begins.", null],
      ["███, you are right. The Bolt Weir stands.", "post:1"],
    ]);
    const answered = withRecords(judged, "answers", [
      { ...blankRecord("answers", `${essay}/${ada}/question:1`), text: "By Ada Ames: 42", points: decimal("2") },
    ]);
    const [answer] = recordsOf(opened(packetOf(answered, { blind: true })).state, "answers");
    expect([answer?.text, answer?.points]).toEqual(["By ███ ████: 42", null]);
  });

  it("brings the work of a whole group, whoever of it was chosen, and blind its number instead of its name", () => {
    const grouped = run(judged, {
      type: "formGroups",
      assignmentId: essay,
      groups: [{ name: "Weir team", memberIds: [ada, ben] }],
    });
    const made = packetOf(grouped, { studentIds: [ben], blind: true });
    expect(made.packet.papers.map(({ studentId: id }) => id).sort()).toEqual([ada, ben]);
    const { state } = opened(made);
    expect(Object.values(state.groups).map(({ name }) => name)).toEqual(["Group 1"]);
    const [group] = Object.values(state.groups);
    const scored = opened(made).run({ type: "scoreGroup", groupId: required(group, "group").id, text: "77" });
    const back = takenBack(handedOver(grouped, made), scored.entries);
    expect(Object.values(back.groups).map(({ name, score }) => [name, score])).toEqual([["Weir team", "77"]]);
  });
});
