import { expect, it } from "vitest";
import { assignmentsOf, studentsOf } from "#core/model";
import { smallCourse } from "../testing/builders";
import { makePiece } from "../testing/make-piece";
import { destinationOf, partedBy } from "./destination";
import { codeFor } from "./paper/code-book";
import { studentMark } from "./paper/paper-code";

const state = smallCourse();
const [one, other] = assignmentsOf(state);
const [ada] = studentsOf(state);
if (!one || !other || !ada) throw new Error("the small course has changed");
const code = codeFor(state, "page", { assignmentId: other.id, student: studentMark(ada.id) });

it("is where a person put it, else what the code says, else nowhere by itself", () => {
  expect(destinationOf(state, makePiece("a.pdf"))).toBeNull();
  expect(destinationOf(state, makePiece("a.pdf", { code }))).toBe(other.id);
  expect(destinationOf(state, makePiece("a.pdf", { code, assignmentId: one.id }))).toBe(one.id);
  const { [other.id]: _gone, ...rest } = state.assignments;
  expect(destinationOf({ ...state, assignments: rest }, makePiece("a.pdf", { code }))).toBeNull();
});

it("parts a tray without losing a piece", () => {
  const pieces = [makePiece("a.pdf"), makePiece("b.pdf", { code }), makePiece("c.pdf", { assignmentId: other.id })];
  const { here, elsewhere } = partedBy(state, pieces, one.id);
  expect(here.map(({ file }) => file.name)).toEqual(["a.pdf"]);
  expect([...elsewhere].map(([id, own]) => [id, own.length])).toEqual([[other.id, 2]]);
  expect(partedBy(state, pieces, other.id).here).toHaveLength(3);
});

it("shows a pile where its papers lie", () => {
  const pile = makePiece("scan.pdf", { decision: { kind: "cut" } });
  const pieces = [pile, makePiece("scan 1-3.pdf", { code, pileId: pile.id })];
  expect(partedBy(state, pieces, one.id).here).toEqual([]);
  expect(partedBy(state, pieces, other.id).here).toEqual(pieces);
});
