import { expect, it } from "vitest";
import { withMark } from "./decimal-mark";

it("writes the decimals of figures behind a comma where the course says so, and nothing else", () => {
  expect(withMark("17.5 / 20", "point")).toBe("17.5 / 20");
  expect(withMark("17.5 / 20.25", "comma")).toBe("17,5 / 20,25");
  expect(withMark("From 78.0 % follows 31.5 to 32.4 of 50.", "comma")).toBe("From 78,0 % follows 31,5 to 32,4 of 50.");
  expect(withMark("Nothing. 5 left", "comma")).toBe("Nothing. 5 left");
});
