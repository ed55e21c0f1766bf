import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { reference } from "#core/testing";
import { codePointOffset, findPassage, makePassage, utf16Offset } from "../index";

interface Example {
  readonly exampleSelection: string;
  readonly example: {
    readonly target: {
      readonly selector: {
        type: string;
        exact?: string;
        prefix?: string;
        suffix?: string;
        start?: number;
        end?: number;
      }[];
    };
  };
}

describe("a passage by position and quote (reference std.webanno.model: W3C Web Annotation Data Model, 23 February 2017; status partly from memory)", () => {
  const { input, expected } = reference<{ exampleText: string }, Example>("std.webanno.model");
  const [quote, position] = expected.example.target.selector;

  it("selects what the example selects", () => {
    const passage = makePassage(input.exampleText, 1, position?.start ?? 0, position?.end ?? 0);
    expect(passage.exact).toBe(expected.exampleSelection);
    expect(passage.exact).toBe(quote?.exact);
    expect(passage.prefix.endsWith(quote?.prefix ?? "?")).toBe(true);
    expect(passage.suffix.startsWith(quote?.suffix ?? "?")).toBe(true);
  });

  it("counts code points, not UTF-16 units (reference std.webanno.codepoints)", () => {
    const check = reference<
      { text: string; quote: string; text2: string },
      {
        startCodePoints: number;
        endCodePoints: number;
        startUtf16: number;
        text2CodePoints: number;
        text2Utf16: number;
      }
    >("std.webanno.codepoints");
    const at = check.input.text.indexOf(check.input.quote);
    expect(at).toBe(check.expected.startUtf16);
    expect(codePointOffset(check.input.text, at)).toBe(check.expected.startCodePoints);
    expect(utf16Offset(check.input.text, check.expected.startCodePoints)).toBe(check.expected.startUtf16);
    expect(codePointOffset(check.input.text2, check.expected.text2Utf16)).toBe(check.expected.text2CodePoints);
    const passage = makePassage(check.input.text, 1, check.expected.startCodePoints, check.expected.endCodePoints);
    expect(passage.exact).toBe(check.input.quote);
  });
});

describe("finding a passage whose words were changed", () => {
  const text =
    "The gauge was moved forty metres downstream in 1987. The hut burned down. Nobody measured the zero again.";
  const at = text.indexOf("forty metres downstream");
  const passage = makePassage(text, 1, at, at + "forty metres downstream in 1987".length);
  const found = (next: string, wanted = passage) => {
    const place = findPassage(next, wanted);
    return place && [...next].slice(place.start, place.end).join("");
  };

  it("finds it where a slip was put right and sentences were put before it", () => {
    const next = "A new opening. The gauge was moved fourty metres down-stream in 1987, they say. The hut burned down.";
    expect(found(next)).toBe("fourty metres down-stream in 1987");
  });

  it("counts code points before what was changed", () => {
    expect(found("😀 𝒬. The gauge was moved forty meters downstream in 1987.")).toBe("forty meters downstream in 1987");
  });

  it("takes the nearest of equals", () => {
    const twice = "forty metre downstream in 1987; then again forty metre downstream in 1987";
    expect(findPassage(twice, { ...passage, start: 40 })?.start).toBe(43);
    expect(findPassage(twice, { ...passage, start: 3 })?.start).toBe(0);
  });

  it("says that it is gone where other words stand, and where the quote is too short to tell", () => {
    expect(found("The gauge was moved a long way in another year. The hut burned down.")).toBeNull();
    const short = makePassage(text, 1, at, at + 5);
    expect(found("The gauge was moved fourty metres downstream.", short)).toBeNull();
  });
});

describe("finding a passage again", () => {
  const text = "The flood came. The flood went. The flood came again.";

  it("takes its position when the quote still stands there", () => {
    const second = makePassage(text, 1, 20, 25);
    expect(second.exact).toBe("flood");
    expect(findPassage(text, second)).toEqual({ start: 20, end: 25 });
  });

  it("follows the quote by its context when text was put before it", () => {
    const second = makePassage(text, 1, 20, 25);
    const moved = `A new first sentence. ${text}`;
    expect(findPassage(moved, second)).toEqual({ start: 42, end: 47 });
  });

  it("takes the nearest of equals when the context does not tell", () => {
    const passage = { ...makePassage("xx ab xx ab xx", 1, 9, 11), prefix: "", suffix: "" };
    expect(findPassage("yyy xx ab xx ab xx", passage)).toEqual({ start: 7, end: 9 });
  });

  it("says so when the quote is gone, and does not guess", () => {
    expect(findPassage("Nothing of it is left.", makePassage(text, 1, 4, 14))).toBeNull();
  });

  it("finds every passage of an unchanged text at its own place", () => {
    fc.assert(
      fc.property(fc.string({ minLength: 2, maxLength: 80, unit: "grapheme" }), fc.nat(), fc.nat(), (value, a, b) => {
        const length = [...value].length;
        const start = a % (length - 1);
        const end = start + 1 + (b % (length - start - 1 || 1));
        const passage = makePassage(value, 3, start, Math.min(end, length));
        expect(findPassage(value, passage)).toEqual({ start: passage.start, end: passage.end });
      }),
    );
  });

  it.each([
    [3, 3],
    [-1, 2],
    [0, 999],
  ])("refuses the empty or outside range %i-%i", (start, end) => {
    expect(() => makePassage(text, 1, start, end)).toThrow(RangeError);
  });
});
