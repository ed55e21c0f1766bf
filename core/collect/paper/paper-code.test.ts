import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { StudentId } from "#core/kernel";
import { codeInClear, guestMark, isGuestMark, paperCodeText, readPaperCode, studentMark } from "./paper-code";

const mark = (letters: number) =>
  fc
    .array(fc.constantFrom(..."0123456789ABCDEFGHJKMNPQRSTVWXYZ"), { minLength: letters, maxLength: letters })
    .map((all) => all.join(""));
const codes = fc.record({
  kind: fc.constantFrom("cover" as const, "page" as const),
  course: mark(4),
  assignment: mark(4),
  student: mark(8),
});

describe("the code of a paper", () => {
  it("is read back as it was written, also when typed from what is printed in clear", () => {
    fc.assert(
      fc.property(codes, (code) => {
        const text = paperCodeText(code);
        expect(text).toMatch(/^[0-9A-Z]{20}$/);
        expect(readPaperCode(text)).toEqual(code);
        expect(readPaperCode(codeInClear(text).toLowerCase())).toEqual(code);
      }),
    );
  });

  it("is refused with any one letter wrong, and is never another text", () => {
    fc.assert(
      fc.property(codes, fc.nat(19), fc.integer({ min: 1, max: 35 }), (code, place, by) => {
        const letters = "0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ";
        const text = paperCodeText(code);
        const other = letters[(letters.indexOf(text[place] ?? "") + by) % 36] ?? "";
        expect(readPaperCode(text.slice(0, place) + other + text.slice(place + 1))).toBeNull();
      }),
    );
    for (const text of ["", "QC", "https://example.org", "L26118", "QC0000111122222222"])
      expect(readPaperCode(text)).toBeNull();
  });

  it("holds no name and no number: the mark is the beginning of the id's SHA-256", () => {
    expect(studentMark("student:L26118" as StudentId)).not.toContain("26118");
    // `printf student:1 | sha256sum` of GNU coreutils begins 1ddbbb6e2e: 00011 10111 01101 11011 10110 11011 10001 01110.
    expect(studentMark("student:1" as StudentId)).toBe("3QDVPVHE");
    const all = new Set(Array.from({ length: 5_000 }, (_, at) => studentMark(`student:${String(at)}` as StudentId)));
    expect(all.size).toBe(5_000);
  });

  it("knows blank sheets, of which there are 999", () => {
    expect(isGuestMark(guestMark(7))).toBe(true);
    expect(guestMark(7)).toHaveLength(8);
    expect(isGuestMark(studentMark("student:1" as StudentId))).toBe(false);
    expect(() => guestMark(1_000)).toThrow(RangeError);
  });
});
