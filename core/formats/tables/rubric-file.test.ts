import { describe, expect, it } from "vitest";
import { decimal } from "#core/kernel";
import type { Rubric } from "#core/model";
import { makeRubric, reference } from "#core/testing";
import { readBlock, readRubricFile, rubricCsv, rubricJson, writeBlock } from "../index";

let count = 0;
const fresh = () => `r${String((count += 1))}`;
const rubric: Rubric = {
  ...makeRubric("Field rubric", "record: 0-8, 8.5-15.5, 16-20", "care, quoted: 4-4, 5-10"),
  criteria: makeRubric("x", "record: 0-8, 8.5-15.5, 16-20", "care, quoted: 4-4, 5-10").criteria.map(
    (criterion, index) => ({
      ...criterion,
      weight: decimal(index === 0 ? "60" : "40"),
      levels: criterion.levels.map((level) => ({ ...level, descriptor: '=Says "what",\nand why' })),
    }),
  ),
};
const bare = (read: ReturnType<typeof readRubricFile>) =>
  read.ok
    ? read.value.criteria.map(({ name, weight, step, levels }) => ({
        name,
        weight,
        step,
        levels: levels.map(({ name: level, min, max, descriptor }) => ({ level, min, max, descriptor })),
      }))
    : read.issue;
const same = bare({ ok: true, value: rubric });

describe("a rubric in a file", () => {
  it("comes back whole from CSV and from JSON, under fresh ids", () => {
    expect(bare(readRubricFile(rubricCsv(rubric), fresh))).toEqual(same);
    const read = readRubricFile(rubricJson(rubric), fresh);
    expect(bare(read)).toEqual(same);
    expect(read.ok && [read.value.name, read.value.id === rubric.id]).toEqual(["Field rubric", false]);
  });

  it("names only members of the open standard, and its own under extensions", () => {
    const { expected } = reference<object, Record<string, string[]>>("std.case.rubric");
    const [written] = (JSON.parse(rubricJson(rubric)) as { CFRubrics: Record<string, unknown>[] }).CFRubrics;
    const criteria = written?.CFRubricCriteria as Record<string, unknown>[];
    const levels = criteria[0]?.CFRubricCriterionLevels as Record<string, unknown>[];
    const extra = (record: object | undefined, kind: string) =>
      Object.keys(record ?? {}).filter((key) => key !== "extensions" && !expected[kind]?.includes(key));
    expect(extra(written, "CFRubric")).toEqual([]);
    expect(extra(criteria[0], "CFRubricCriterion")).toEqual([]);
    expect(extra(levels[0], "CFRubricCriterionLevel")).toEqual([]);
  });

  it("of another program is read in the order its positions give, a level without a range as one value", () => {
    const other = {
      CFRubrics: [
        {
          title: "Other",
          CFRubricCriteria: [
            { description: "Second", position: 2, CFRubricCriterionLevels: [{ quality: "All", score: 3 }] },
            {
              category: "First",
              position: 1,
              CFRubricCriterionLevels: [
                { quality: "Good", score: 4, position: 1 },
                { quality: "Poor", score: 1, position: 2 },
              ],
            },
          ],
        },
      ],
    };
    const read = readRubricFile(JSON.stringify(other), fresh);
    expect(
      read.ok && read.value.criteria.map(({ name, levels }) => [name, levels.map(({ min, max }) => `${min}-${max}`)]),
    ).toEqual([
      ["First", ["1-1", "4-4"]],
      ["Second", ["3-3"]],
    ]);
  });

  it.each([
    ["{ not json", "rubric_file_not_read"],
    ['{"CFItems": []}', "rubric_file_no_rubric"],
    ['{"CFRubrics": [{"title": "Empty"}]}', "rubric_file_no_rubric"],
    ["a,b\n1,2", "rubric_file_no_rubric"],
    ["criterionDescription,levelQuality,levelScore\nCare,Good,much", "rubric_file_figure"],
    ["criterionDescription,levelScoreFrom,levelScore\nCare,0,5\nCare,4,8", "rubric_file_fault"],
  ])("%s is refused as %s", (text, code) => {
    expect(readRubricFile(text, fresh)).toMatchObject({ ok: false, issue: { code } });
  });
});

describe("cells copied from a spreadsheet", () => {
  it("are read with tabs, quotes and any line end, and written so that they come back", () => {
    expect(readBlock('18\tm\r\n"two\nlines"\t 7,5 \r\n')).toEqual([
      ["18", "m"],
      ["two\nlines", "7,5"],
    ]);
    expect(readBlock("18\n\n17")).toEqual([["18"], [""], ["17"]]);
    const rows = [
      ["a\tb", 'say "x"'],
      ["", "2"],
    ];
    expect(readBlock(writeBlock(rows))).toEqual(rows);
  });
});
