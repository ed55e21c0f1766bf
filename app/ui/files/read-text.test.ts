import { expect, it } from "vitest";
import { readText } from "./read-text";

const utf16 = (text: string, little: boolean, mark: boolean): Uint8Array<ArrayBuffer> => {
  const codes = [...(mark ? [0xfeff] : []), ...Array.from(text, (letter) => letter.charCodeAt(0))];
  return new Uint8Array(codes.flatMap((code) => (little ? [code & 255, code >> 8] : [code >> 8, code & 255])));
};
const LIST = "1042,Zoë Barrow\n1043,Jorun Nakade";

it.each([
  ["UTF-8", new TextEncoder().encode(LIST)],
  ["UTF-8 with a mark", new TextEncoder().encode(`\uFEFF${LIST}`)],
  ["UTF-16, little end first, with a mark", utf16(LIST, true, true)],
  ["UTF-16, big end first, with a mark", utf16(LIST, false, true)],
  ["UTF-16, little end first, without a mark", utf16(LIST, true, false)],
  ["UTF-16, big end first, without a mark", utf16(LIST, false, false)],
  ["Windows-1252", new Uint8Array(Array.from(LIST, (letter) => letter.charCodeAt(0)))],
])("a roster saved as %s is read with every letter", async (_name, bytes) => {
  expect(await readText(new Blob([bytes]))).toBe(LIST);
});
