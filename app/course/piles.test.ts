import { expect, it } from "vitest";
import type { Piece } from "#core/collect";
import { makePiece } from "#core/testing";
import { scansOf } from "./piles";

const picture = (name: string, more: Partial<Piece> = {}) =>
  makePiece(name, {
    file: { ...makePiece(name).file, name, mediaType: "image/jpeg" },
    pages: null,
    ...more,
  });
const looked = (...pieces: readonly Piece[]) =>
  scansOf(pieces, new Set(["l26041", "l26042"])).map((own) => own.map(({ file }) => file.name));

it("looks at pictures of one series together, in the order of their numbers", () => {
  expect(looked(picture("page 10.jpg"), picture("page 9.jpg"), picture("IMG_3.jpg"))).toEqual([
    ["page 9.jpg", "page 10.jpg"],
    ["IMG_3.jpg"],
  ]);
});

it("looks at a picture by itself that is called by a name or a student's number: the one before it says nothing of it", () => {
  const names = ["Ilse Tarnowe.jpg", "Dov Amsel.jpg", "L26041.jpg", "L26042.jpg"];
  expect(looked(...names.map((name) => picture(name)))).toEqual(names.map((name) => [name]));
});

it("looks at a document without words, and at nothing a second time or that somebody decided about", () => {
  expect(looked(makePiece("scan.pdf"), makePiece("essay.pdf", { beginning: "The river" }))).toEqual([["scan.pdf"]]);
  const seen = [{ code: "", turn: null, isBlank: false, isFirst: true, isLeftOut: false }];
  expect(
    looked(
      makePiece("seen.pdf", { scan: seen }),
      picture("seen 1.jpg", { scan: seen }),
      makePiece("out.pdf", { decision: { kind: "leftOut" } }),
      makePiece("paper.pdf", { pileId: makePiece("scan.pdf").id }),
    ),
  ).toEqual([]);
});
