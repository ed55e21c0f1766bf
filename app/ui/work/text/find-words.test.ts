import { expect, it } from "vitest";
import { findWords } from "./find-words";

it("of a work that is not drawn yet says neither that the words stand in it nor that they do not", async () => {
  expect(await findWords("the town is safe", new Map(), null)).toBeNull();
});

it("in a picture, which has no words, finds none", async () => {
  const picture = { number: 1, element: {} as HTMLElement, textRoot: null };
  expect(await findWords("the town is safe", new Map([[1, picture]]), null)).toEqual([]);
});
