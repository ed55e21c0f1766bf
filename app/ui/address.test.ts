import { describe, expect, it } from "vitest";
import { deskAddress, fromAddress, inAddress, windowAddress } from "./address";

describe("addresses", () => {
  it("hold an id without its kind, and give it back", () => {
    const id = "assignment:flood-memo";
    expect(inAddress(id)).toBe("flood-memo");
    expect(fromAddress("assignment", inAddress(id))).toBe(id);
  });

  it("name course, assignment and student", () => {
    expect(deskAddress("rivers", "assignment:memo", "student:ilse")).toBe("/courses/rivers/score/memo/ilse");
    expect(windowAddress("rivers", "student:ilse")).toBe("/window/rivers/ilse");
  });
});
