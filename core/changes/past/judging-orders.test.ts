import { describe, expect, it } from "vitest";
import { blankRecord, judgementKey } from "#core/model";
import type { AssignmentId, CriterionId, StudentId } from "#core/kernel";
import type { Entry } from "../index";
import { judgingOrders } from "./judging-orders";

const [essay, memo] = ["assignment:essay", "assignment:memo"] as AssignmentId[] as [AssignmentId, AssignmentId];
const [record, claim] = ["criterion:record", "criterion:claim"] as CriterionId[] as [CriterionId, CriterionId];
const [ada, bo, cy] = ["student:ada", "student:bo", "student:cy"] as StudentId[] as [StudentId, StudentId, StudentId];

const judged = (seq: number, assignment: AssignmentId, student: StudentId, criterion: CriterionId) => {
  const id = judgementKey(assignment, student, criterion);
  const patch = { table: "judgements", id, before: null, after: { ...blankRecord("judgements", id) } };
  return { seq, change: { patches: [patch] } } as unknown as Entry;
};

describe("the order in which papers were judged", () => {
  const entries = [
    judged(1, essay, ada, record),
    judged(2, essay, cy, record),
    judged(3, memo, bo, record),
    judged(4, essay, bo, claim),
    judged(5, essay, ada, record),
    judged(6, essay, bo, record),
  ];
  const order = judgingOrders(entries, essay);

  it("is that of the latest judgement, by criterion, of this work alone", () => {
    expect(order(record, [ada, bo, cy])).toEqual([cy, ada, bo]);
    expect(order(claim, [ada, bo, cy])).toEqual([bo]);
    expect(judgingOrders(entries, memo)(record, [ada, bo, cy])).toEqual([bo]);
  });

  it("names only those who are asked for, and nobody where nothing was judged", () => {
    expect(order(record, [bo, ada])).toEqual([ada, bo]);
    expect(judgingOrders([], essay)(record, [ada])).toEqual([]);
  });
});
