import { mod1271_36 } from "cdigit";
import fc from "fast-check";
import { expect, it } from "vitest";
import { checkCharacters } from "./check-characters";

const text = fc
  .array(fc.constantFrom(..."0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ"), { minLength: 1, maxLength: 24 })
  .map((letters) => letters.join(""));

it("gives characters that an independent implementation of ISO/IEC 7064 holds good (cdigit)", () => {
  expect(checkCharacters("ISO79")).toBe("3W"); // example of the standard, from memory
  fc.assert(
    fc.property(text, (given) => {
      expect(mod1271_36.validate(given + checkCharacters(given))).toBe(true);
    }),
  );
});

it("shows every single wrong letter and every two that changed places", () => {
  fc.assert(
    fc.property(text, fc.nat(), fc.integer({ min: 1, max: 35 }), (given, place, by) => {
      const letters = "0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ";
      const at = place % given.length;
      const other = letters[(letters.indexOf(given[at] ?? "") + by) % letters.length] ?? "";
      const slipped = given.slice(0, at) + other + given.slice(at + 1);
      expect(checkCharacters(slipped)).not.toBe(checkCharacters(given));
      const swapped = given.slice(0, at) + (given[at + 1] ?? "") + (given[at] ?? "") + given.slice(at + 2);
      if (at + 1 < given.length && swapped !== given) expect(checkCharacters(swapped)).not.toBe(checkCharacters(given));
    }),
  );
});

it("refuses what it cannot check", () => {
  expect(() => checkCharacters("a")).toThrow(RangeError);
});
