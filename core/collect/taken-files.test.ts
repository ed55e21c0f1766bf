import { expect, it } from "vitest";
import { makePiece } from "../testing/make-piece";
import { waitingPieces } from "./taken-files";

it("waits for what no course names yet; a pile waits as long as one of its papers does", () => {
  const pile = makePiece("scan.pdf", { decision: { kind: "cut" } });
  const [one, two] = ["scan 1.pdf", "scan 2.pdf"].map((name) => makePiece(name, { pileId: pile.id }));
  const other = makePiece("other.pdf");
  if (!one || !two) throw new Error("no papers");
  const pieces = [pile, one, two, other];
  const after = (...taken: (typeof pile)[]) =>
    waitingPieces(pieces, (file) => taken.some((piece) => piece.file.id === file)).map(({ file }) => file.name);
  expect(after()).toEqual(["scan.pdf", "scan 1.pdf", "scan 2.pdf", "other.pdf"]);
  expect(after(one)).toEqual(["scan.pdf", "scan 2.pdf", "other.pdf"]);
  expect(after(one, two)).toEqual(["other.pdf"]);
});
