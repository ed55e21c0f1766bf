import { type Command } from "#core/changes";
import { atOnce, type Instant } from "#core/kernel";
import { totalCopiesOf, type CourseState } from "#core/model";
import { changedTotalCopies, visibleTotals } from "#core/release";
import { run, scoredClass, WORLD } from "#core/testing";
import { toldWords } from "#core/words";
import { describe, expect, it } from "vitest";

const { essay, quiz, ada, everyone: EVERYONE, score, scored, release } = scoredClass();

const at = (text: string) => text as Instant;

describe("totals as fixed copies", () => {
  const open: Command = { type: "sealTotal", id: "course", state: "released", at: null, shows: "percent" };
  const texts = (state: CourseState) => EVERYONE.map((id) => visibleTotals(state, id)[0]?.text ?? null);

  it("follow each release where they rest on released work: 70 and 12 of 20 at 60 to 40 make 66.0 (by hand)", () => {
    const first = run(scored, release(), open);
    expect(texts(first)).toEqual(["70.0", "71.0", "72.0"]);
    const second = run(first, release({ assignmentId: quiz }));
    expect(texts(second)).toEqual(["66.0", "68.6", "71.2"]);
  });

  it("stay as they were given where they rest on all work, until they are given again", () => {
    const all = run(scored, { type: "restTotals", on: "all" }, open);
    const edited = run(all, score(quiz, ada, "20"));
    expect(texts(edited)).toEqual(["66.0", "68.6", "71.2"]);
    expect(atOnce(changedTotalCopies(edited, WORLD.at))).toMatchObject([
      { id: "course", old: "66.0", present: "82.0" },
    ]);
    expect(texts(run(edited, { type: "releaseTotals", studentIds: [ada] }))).toEqual(["82.0", "68.6", "71.2"]);
  });

  it("tell how they came about, and no score that is sealed afterwards", () => {
    const all = run(scored, { type: "restTotals", on: "all" }, release(), open);
    const lines = (state: CourseState) =>
      visibleTotals(state, ada)[0]?.parts.map(({ told, items }) => [
        toldWords(told),
        items.map((item) => toldWords(item.told)),
      ]);
    expect(lines(all)).toEqual([
      ["70.0 %", ["70 / 100"]],
      [null, [null]],
    ]);
    const sealed = run(all, { type: "seal", assignmentId: essay, facets: ["score"] });
    expect(lines(sealed)).toEqual([
      [null, [null]],
      [null, [null]],
    ]);
    expect(visibleTotals(sealed, ada)[0]).toMatchObject({ text: "66.0", restsOnSealed: true });
  });

  it("say that they take in sealed work only where their own category does", () => {
    const all = run(scored, { type: "restTotals", on: "all" }, release(), {
      type: "sealTotal",
      id: "category:papers",
      together: ["category:quizzes"],
      state: "released",
      at: null,
      shows: "percent",
    });
    expect(visibleTotals(all, ada).map(({ name, restsOnSealed }) => [name, restsOnSealed])).toEqual([
      ["Papers", false],
      ["Quizzes", true],
    ]);
  });

  it("go out at their moment, and a total of a category can be shown as its letter alone", () => {
    const timed = run(scored, release(), {
      type: "sealTotal",
      id: "category:papers",
      state: "timed",
      at: at("2026-11-02T08:00:00Z"),
      shows: "letter",
    });
    expect(texts(timed)).toEqual([null, null, null]);
    const due = run(timed, { type: "releaseDue", now: "2026-11-02T08:00:00Z" });
    expect(texts(due)).toEqual(["F", "F", "F"]);
    expect(totalCopiesOf(due, ada)).toMatchObject([{ id: "category:papers", shows: "letter" }]);
  });
});
