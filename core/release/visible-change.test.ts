import { readingOf, visibleChanges } from "#core/release";
import { atOnce } from "#core/kernel";
import { run, scoredClass } from "#core/testing";
import { describe, expect, it } from "vitest";

const { essay, quiz, ada, ben, cleo, score, scored, release } = scoredClass();

describe("what a change would do to what students see", () => {
  it("names who sees newly, otherwise and no longer", () => {
    const given = run(scored, release({ studentIds: [ada, ben] }));
    const changed = run(given, score(essay, ada, "90"), release(), {
      type: "seal",
      assignmentId: essay,
      facets: ["score"],
      studentIds: [ben],
    });
    expect(atOnce(visibleChanges(given, changed))).toEqual([
      { what: "Essay", assignmentId: essay, facet: "score", gain: [cleo], change: [ada], lose: [ben] },
    ]);
    expect(atOnce(visibleChanges(given, run(given, score(quiz, ada, "19"))))).toEqual([]);
  });

  it("counts a letter as read once it was opened, and as older when something newer came", () => {
    const given = run(scored, release());
    expect(readingOf(given, essay, ada)).toBe("unopened");
    const opened = run(given, {
      type: "openLetter",
      studentId: ada,
      assignmentIds: [essay, quiz],
      totals: true,
      now: "2026-10-27T09:00:00Z",
    });
    expect(readingOf(opened, essay, ada)).toBe("opened");
    // What they cannot see is not opened.
    expect(readingOf(opened, quiz, ada)).toBe("unopened");
    const again = run(opened, score(essay, ada, "75"), { ...release(), now: "2026-10-28T09:00:00Z" });
    expect(readingOf(again, essay, ada)).toBe("older");
  });
});
