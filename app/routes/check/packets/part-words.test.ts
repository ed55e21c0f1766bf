import { describe, expect, it } from "vitest";
import type { Command } from "#core/changes";
import { required } from "#core/kernel";
import { comparePacket, readReturned } from "#core/packets";
import {
  assignmentId,
  commentOnEssay,
  criterionId,
  handedOver,
  judgedClass,
  judgeEssay,
  opened,
  packetOf,
  studentId,
} from "#core/testing";
import { partName, valueWords } from "./part-words";

const essay = assignmentId("essay");
const ada = studentId("ada");
const { judged } = judgedClass();

/** What is told of each part that a marker changed: its name, what is here, what the packet says. */
function told(purpose: "scores" | "second", ...commands: Command[]): readonly string[] {
  const made = packetOf(judged, { purpose });
  const home = handedOver(judged, made);
  const returned = readReturned(home, opened(made).run(...commands).entries);
  if (!returned.ok) throw new Error(returned.issue.code);
  const assignment = required(home.assignments[essay], "essay");
  return comparePacket(home, returned.value)
    .flatMap(({ parts }) => parts)
    .map(({ part, here, there }) => {
      const [was, is] = [here, there].map((value) => valueWords(home, assignment, part, value));
      return `${partName(home, assignment, part)}: ${was ?? ""} -> ${is ?? ""}`;
    });
}

describe("what a packet brings back, in words", () => {
  it("of scores: levels, comments, standing, figures by hand, remarks", () => {
    const place = { assignmentId: essay, studentId: ada };
    const [note] = Object.values(judged.notes);
    expect(
      told(
        "scores",
        judgeEssay(ada, "record", "18"),
        { type: "judge", ...place, criterionId: criterionId("writing"), verdict: { kind: "notApplicable" } },
        { type: "setCriterionComment", ...place, criterionId: criterionId("record"), comment: "Whole." },
        commentOnEssay(ada, ""),
        { type: "setComment", ...place, facing: "private", text: "Ask." },
        { type: "setByHand", ...place, text: "90", reason: "Oral part." },
        { type: "setLateness", ...place, unitsLate: 2 },
        { type: "removeNote", noteId: required(note, "note").id },
      ),
    ).toEqual([
      "Score: open -> 90 set by hand",
      "Lateness: as its time tells -> late by 2",
      'Comment: "Well argued." -> none',
      'Private note: "SECRET of the marker" -> "Ask."',
      "record: 15.5, L2 -> 18, L3",
      'record, comment: none -> "Whole."',
      "writing: 8, L2 -> not applicable",
      'Remark: "Good: you name it." -> none',
    ]);
  });

  it("of second judgements: by criterion, with what was written to it", () => {
    expect(told("second", judgeEssay(ada, "record", "12"), commentOnEssay(ada, "Thin."))).toEqual([
      "record: open -> 12, L2",
      'Comment: none -> "Thin."',
    ]);
  });
});
