import { describe, expect, it } from "vitest";
import { completeFields, completeRecord, tableSchemas } from "../index";

describe("remarks made before they had colours", () => {
  it("have none of their own, on the desk and in what was given out", () => {
    expect(completeRecord("notes", { id: "note:a", body: "x" })).toEqual({
      id: "note:a",
      body: "x",
      colour: null,
      forGroup: false,
    });
    const copy = { id: "a", comments: { at: "t", content: { overall: "", notes: [{ id: "note:a" }] } } };
    expect(completeRecord("copies", copy)).toEqual({
      id: "a",
      outcomes: null,
      classFigures: null,
      name: "",
      comments: { at: "t", content: { overall: "", attachments: [], notes: [{ id: "note:a", colour: null }] } },
    });
    const now = {
      id: "a",
      outcomes: null,
      classFigures: null,
      name: "Essay",
      comments: { at: "t", content: { attachments: [], notes: [{ id: "note:a", colour: "plum" }] } },
    };
    expect(completeRecord("copies", now)).toBe(now);
    expect(completeRecord("copies", { id: "a", comments: null })).toEqual({
      id: "a",
      outcomes: null,
      classFigures: null,
      name: "",
      comments: null,
    });
  });
});

describe("a score given out before levels were", () => {
  it("has none; one of today comes back as it is", () => {
    const rest = { id: "a", outcomes: null, classFigures: null, name: "Essay" };
    expect(completeRecord("copies", { ...rest, score: { at: "t", content: { points: "18" } } })).toEqual({
      ...rest,
      score: { at: "t", content: { points: "18", level: null } },
    });
    const now = { ...rest, score: { at: "t", content: { points: null, level: "Pass" } } };
    expect(completeRecord("copies", now)).toBe(now);
  });
});

describe("zones drawn before questions had any", () => {
  it("are of their criterion; those of today come back as they are", () => {
    const place = { page: 1, x: 0, y: 0, width: 1, height: 1 };
    const before = { zones: [{ criterionId: "criterion:a", ...place }] };
    for (const table of ["assignments", "results"]) {
      expect(completeFields(table, before)).toEqual({ zones: [{ of: "criterion:a", ...place }] });
    }
    const now = { zones: [{ of: "question:a", ...place }] };
    expect(completeFields("results", now)).toBe(now);
  });
});

describe("a rubric made before criteria could ask for evidence", () => {
  it("asks for none; one of today comes back as it is", () => {
    const criteria = [{ id: "criterion:a", name: "Record" }];
    expect(completeRecord("rubrics", { id: "rubric:a", criteria })).toEqual({
      id: "rubric:a",
      criteria: [{ id: "criterion:a", name: "Record", asksEvidence: false }],
    });
    const now = { id: "rubric:a", criteria: [{ id: "criterion:a", asksEvidence: true }] };
    expect(completeRecord("rubrics", now)).toBe(now);
  });
});

describe("accounts of totals given out as sentences", () => {
  const line = (text: string | null) => ({ name: "Essay", text, rests: ["assignment:essay"] });
  const totals = (told: (text: string | null) => object) => ({
    totals: [
      {
        id: "course",
        name: "Course",
        text: "71.0",
        shows: "percent",
        restsOnSealed: false,
        at: "2026-11-02T09:00:00Z",
        parts: [{ ...told("71.0 %"), weight: "40", items: [told("71 / 100"), told(null)] }],
      },
    ],
  });
  const now = totals((text) => {
    const { text: _, ...rest } = line(text);
    return { ...rest, told: text === null ? null : { kind: "words", text } };
  });

  it("keep them, and are records of today", () => {
    const record = completeRecord("totalCopies", { id: "student:ada", ...totals(line) });
    expect(record).toEqual({ id: "student:ada", ...now });
    expect(tableSchemas.totalCopies.parse(record)).toEqual(record);
    expect(completeRecord("totalCopies", record)).toBe(record);
  });

  it("are the same inside a change, before and after, with nothing added", () => {
    expect(completeFields("totalCopies", totals(line))).toEqual(now);
    expect(completeFields("totalCopies", { id: "student:ada" })).toEqual({ id: "student:ada" });
  });
});

describe("what changed in a copy before files could be feedback", () => {
  it("stands in a change as in the record, and no other facet is touched", () => {
    const comments = { at: "t", content: { overall: "Well", notes: [{ id: "note:a" }] } };
    const record = completeRecord("copies", { id: "a", comments });
    const { comments: changed, ...rest } = completeFields("copies", { comments });
    expect(changed).toEqual(record.comments);
    expect(rest).toEqual({});
  });
});

describe("papers of a sample chosen by name, before they had a word of their own", () => {
  it("have it in the record and inside a change; other ways stay", () => {
    expect(completeRecord("moderations", { id: "assignment:a", way: { kind: "byHand" } })).toEqual({
      id: "assignment:a",
      way: { kind: "named" },
    });
    const other = { way: { kind: "all" } };
    expect(completeFields("moderations", other)).toBe(other);
  });
});
