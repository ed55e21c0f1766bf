import { expect, it } from "vitest";
import { fullName, type Student } from "#core/model";
import { covered, namesOfWriters, namesOne } from "./covered";

const writer = { givenName: "Ilse", familyName: "Tarnowe", number: "L26048", email: "ilse@x.org" } as Student;
const names = namesOfWriters([writer]);

it.each([
  ["A memo by Ilse Tarnowe, L26048", "A memo by ████ ███████, ██████"],
  ["Tarnowe, Ilse\nilse@x.org", "████████ ████\n██████████"],
  ["ILSE  TARNOWE", "████  ███████"],
  ["Yours, Ilse", "Yours, ████"],
  // A family name alone may be a word of the subject, and parts of other words are none.
  ["the Tarnowe gauge; Ilsenburg; XL26048", "the Tarnowe gauge; Ilsenburg; XL26048"],
])("%j becomes %j, letter for letter", (text, told) => {
  expect(covered(text, names)).toBe(told);
  expect([...covered(text, names)]).toHaveLength([...text].length);
  expect(namesOne(covered(text, names), names)).toBe(false);
});

it("covers an accent that stands as a character of its own", () => {
  const jose = namesOfWriters([{ givenName: "José", familyName: "Niño", number: "1", email: "" } as Student]);
  for (const form of ["NFC", "NFD"] as const)
    expect(covered("by José Niño.".normalize(form), jose)).toMatch(/^by █+ █+\.$/);
});

it("leaves a text alone where nobody is named, and a writer with one name has that one covered", () => {
  expect(covered("a (b) [c] .*", [])).toBe("a (b) [c] .*");
  const single = { givenName: "Oskar", familyName: "", number: "7", email: "" } as Student;
  expect(covered(`by ${fullName(single)}, 7 m`, namesOfWriters([single]))).toBe("by █████, 7 m");
});
