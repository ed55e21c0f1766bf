import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { required, type StudentId } from "#core/kernel";
import {
  assignmentId,
  run,
  runs,
  smallCourse,
  packetOf,
  opened,
  handedOver,
  takenBack,
  codeIn,
  judgeEssay,
  commentOnEssay,
} from "#core/testing";
import { figuresOf } from "#core/totals";

const essay = assignmentId("essay");

describe("three markers, each with a part of one class", () => {
  const class9 = run(smallCourse(), {
    type: "addStudents",
    students: ["D", "E", "F", "G", "H", "I"].map((name, at) => ({
      ...{ number: `N${String(at + 4)}`, givenName: name, familyName: "Class", sectionId: null },
    })),
  });
  const papers = Object.keys(class9.students) as StudentId[];
  const anyAct = fc.record({
    paper: fc.nat(papers.length - 1),
    kind: fc.constantFrom("judge", "comment", "missing", "byHand"),
    criterion: fc.constantFrom("record", "reasoning", "writing"),
    points: fc.integer({ min: 0, max: 10 }),
  });
  const commandOf = ({ kind, criterion, points }: { kind: string; criterion: string; points: number }, id: StudentId) =>
    kind === "judge"
      ? judgeEssay(id, criterion, String(points))
      : kind === "comment"
        ? commentOnEssay(id, `Remark ${String(points)}`)
        : kind === "byHand"
          ? ({ type: "setByHand", assignmentId: essay, studentId: id, text: String(points), reason: "x" } as const)
          : ({ type: "setStanding", assignmentId: essay, studentId: id, decision: "missing" } as const);

  it("taken back in any order, one of them twice, totals and records are those of one machine", () => {
    const anyWork = fc.record({
      acts: fc.array(anyAct, { maxLength: 40 }),
      order: fc.shuffledSubarray([0, 1, 2], { minLength: 3, maxLength: 3 }),
      twice: fc.nat(2),
      blind: fc.boolean(),
    });
    fc.assert(
      fc.property(anyWork, ({ acts, order, twice, blind }) => {
        const parts = [0, 1, 2].map((part) => papers.filter((_, at) => at % 3 === part));
        const packets = parts.map((studentIds, part) =>
          packetOf(class9, { studentIds, blind, markerName: `Marker ${String(part)}` }, part + 1),
        );
        const home = packets.reduce((state, made, part) => handedOver(state, made, `Marker ${String(part)}`), class9);
        const desks = packets.map(opened);
        let alone = home;
        for (const act of acts) {
          const student = required(papers[act.paper], "paper");
          const done = (try_: () => void) => {
            try {
              try_();
              return true;
            } catch {
              return false;
            }
          };
          const made = required(packets[act.paper % 3], "packet");
          const there = done(() => desks[act.paper % 3]?.run(commandOf(act, codeIn(made, student))));
          const here = done(() => (alone = run(alone, commandOf(act, student))));
          expect(there).toBe(here);
        }
        let shared = home;
        for (const part of [...order, twice]) shared = takenBack(shared, desks[part]?.entries ?? []);
        expect(shared.results).toEqual(alone.results);
        expect(shared.judgements).toEqual(alone.judgements);
        for (const student of papers) {
          expect(figuresOf(shared).figure(essay, student).counted).toEqual(
            figuresOf(alone).figure(essay, student).counted,
          );
        }
      }),
      { numRuns: runs(60) },
    );
  });
});
