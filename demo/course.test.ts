import { readFileSync } from "node:fs";
import { beforeAll, describe, expect, it } from "vitest";
import { z } from "zod/mini";
import { applyPatches, entrySchema, judgingOrders, scoringsOf } from "#core/changes";
import { assignmentsOf, EMPTY_STATE, handInOf, levelGiven, studentsOf, termsOf, type CourseState } from "#core/model";
import { laneOf, visibleTo } from "#core/release";
import { oddFound } from "#core/statistics";
import { figuresOf, moderatedPapers, unsettledPapers } from "#core/totals";
import { decimal, pointsText, required, type Id, type Instant } from "#core/kernel";
import { demoJournal } from "./course";
import { demoDocumentsSchema, type DemoDocument } from "./documents";

const memo = "assignment:flood-memo" as Id<"assignment">;
const student = (slug: string) => `student:${slug}` as Id<"student">;

describe("the demo course", () => {
  let documents: DemoDocument[];
  let state: CourseState = EMPTY_STATE;
  beforeAll(() => {
    documents = demoDocumentsSchema.parse(JSON.parse(readFileSync("public/demo/documents.json", "utf8")));
    for (const { change } of demoJournal(documents)) {
      const next = applyPatches(state, change.patches);
      if (!next.ok) throw new Error(`does not replay: ${change.line}`);
      state = next.value;
    }
  });

  it("is the same journal every time", () => {
    expect(demoJournal(documents)).toEqual(demoJournal(documents));
  });

  it("ships as a file, and what is read from it is the same journal", () => {
    const entries = demoJournal(documents);
    const read: unknown = JSON.parse(JSON.stringify(entries));
    expect(read).toStrictEqual(entries);
    expect(z.array(entrySchema).safeParse(read).success).toBe(true);
  });

  it("has 28 students and at least 24 handed-in documents of 300 to 700 words", () => {
    expect(studentsOf(state)).toHaveLength(28);
    const words = documents
      .filter(({ assignment }) => assignment !== "site-sketch")
      .map((document) => document.text.split(" ").length);
    expect(documents.length).toBeGreaterThanOrEqual(24);
    expect(Math.min(...words)).toBeGreaterThanOrEqual(300);
    expect(Math.max(...words)).toBeLessThanOrEqual(700);
  });

  it("has documents that truly differ: no two share more than a third of their five-word runs", () => {
    const written = documents.filter(({ text }) => text !== "");
    const runs = written.map(({ text }) => {
      const words = text.toLowerCase().match(/\p{L}+/gu) ?? [];
      return new Set(words.slice(4).map((_, index) => words.slice(index, index + 5).join(" ")));
    });
    runs.forEach((a, first) => {
      runs.slice(first + 1).forEach((b, offset) => {
        const pair = [written[first], written[first + 1 + offset]].map((document) => document?.name ?? "");
        if (pair.every((name) => name.startsWith("ilse-tarnowe"))) return; // two attempts of one student
        const shared = [...a].filter((run) => b.has(run)).length;
        expect(shared / Math.min(a.size, b.size), pair.join(" and ")).toBeLessThan(1 / 3);
      });
    });
  });

  it("has every fourth gauging report judged a second time in a packet that came back, one of them settled", () => {
    const report = required(state.assignments["assignment:gauging-report" as Id<"assignment">], "report");
    const [packet] = Object.values(state.packets);
    // Seven papers, and the mates who wrote them.
    expect([packet?.papers.length, packet?.blind, packet?.taken.length]).toEqual([14, true, 1]);
    const states = moderatedPapers(state, report).map((paper) => paper.state);
    expect(states.filter((one) => one === "agree").length).toBeGreaterThanOrEqual(5);
    expect(states.filter((one) => one === "settled").length).toBeGreaterThanOrEqual(1);
    expect(unsettledPapers(state, report)).toEqual([]);
  });

  it("has something to look at twice: a criterion judged more strictly towards the end, and a key that may be wrong", () => {
    const entries = demoJournal(documents);
    const oddOf = (slug: string) => {
      const id = `assignment:${slug}` as Id<"assignment">;
      const among = studentsOf(state).map((one) => one.id);
      const judged = judgingOrders(entries, id);
      const order = (criterion: Parameters<typeof judged>[0]) => judged(criterion, among);
      const found = oddFound(state, required(state.assignments[id], slug), scoringsOf(entries, entries, id), order);
      return found.open.map((odd) => odd.code);
    };
    expect(oddOf("gauging-report")).toEqual(["drift"]);
    expect(oddOf("practice")).toEqual(["key_suspected"]);
  });

  it("shows every state of the work", () => {
    const now = "2026-11-23T12:00:00Z" as Instant;
    const kinds = assignmentsOf(state).map((assignment) => laneOf(state, assignment, now).next.kind);
    expect(kinds).toEqual([
      ...["released", "score", "score"],
      ...["release", "release", "released", "release"],
      ...["score", "score", "score", "wait"],
    ]);
    const figure = (slug: string) => figuresOf(state).figure(memo, student(slug));
    expect(figure("greta-lindqvar").standing).toBe("missing");
    expect(figure("lorcan-pell").standing).toBe("excused");
    expect(figure("dagny-kvist").unitsLate).toBe(2);
    expect(handInOf(state, memo, student("ilse-tarnowe"))?.attempts).toHaveLength(2);
  });

  it("counts a late memo by hand: 15.5 + 17 + 8 of 50 is 81 of 100, two days late at 5 % a day leave 71", () => {
    const { counted } = figuresOf(state).figure(memo, student("dagny-kvist"));
    expect(counted && pointsText(counted)).toBe(decimal("71"));
  });

  it("has two terms and a field exam, and a safety check that counts nowhere", () => {
    expect(termsOf(state).map(({ name }) => name)).toEqual(["Autumn term", "Spring term", "Field exam"]);
    const check = "assignment:safety-check" as Id<"assignment">;
    const levels = studentsOf(state).map(({ id }) =>
      levelGiven(state, required(state.assignments[check], "check"), id),
    );
    expect([levels.filter((one) => one === "Pass").length, levels.filter((one) => one === "Not yet").length]).toEqual([
      26, 2,
    ]);
    expect(figuresOf(state).figure(check, student("bram-oduya")).counted).toBeNull();
  });

  it("has gauging reports of pairs, handed in by one of the two, and photographs beside some sketches", () => {
    const report = "assignment:gauging-report" as Id<"assignment">;
    const own = (slug: string) => handInOf(state, report, student(slug))?.attempts[0]?.files[0]?.name;
    expect([own("aldous-brenn"), own("anouk-brisk")]).toEqual(["aldous-brenn.pdf", "aldous-brenn.pdf"]);
    expect(documents.filter(({ assignment }) => assignment === "gauging-report")).toHaveLength(14);
    const sketch = handInOf(state, "assignment:site-sketch" as Id<"assignment">, student("hano-abeyra"));
    expect(sketch?.attempts[0]?.files.map(({ mediaType }) => mediaType)).toEqual(["image/jpeg", "image/svg+xml"]);
  });

  it("shows students only what was released", () => {
    const seen = visibleTo(state, student("esi-okonwe")).map(({ assignment }) => assignment.name);
    expect(seen.sort()).toEqual(["Bridge count", "Gauging report"]);
  });
});
