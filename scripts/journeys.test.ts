import { describe, expect, it } from "vitest";
import { readJourneys } from "./journeys.mjs";

const journey = (title: string, error?: string) => ({
  file: "release.spec.ts",
  line: 7,
  title,
  ok: error === undefined,
  tests: [
    {
      annotations: [{ type: "acts", description: `${title}: 3 acts` }],
      results: [{ error: error === undefined ? undefined : { message: error } }],
    },
  ],
});

describe("the report of the journeys", () => {
  it("tells how many passed, what failed and why, and the acts, however deep they stand", () => {
    const suites = [
      { specs: [journey("one")], suites: [{ specs: [journey("two", "\u001b[31mnot visible\u001b[39m")] }] },
    ];
    expect(readJourneys({ suites })).toEqual({
      passed: 1,
      said: ["release.spec.ts:7 two\n      not visible"],
      acts: ["one: 3 acts", "two: 3 acts"],
    });
  });

  it("is a failure where something went wrong outside of every journey, also where none ran", () => {
    const errors = [{ message: "a module needs an import attribute" }];
    const said = ["outside of every journey\n      a module needs an import attribute"];
    expect(readJourneys({ suites: [], errors })).toMatchObject({ passed: 0, said });
    expect(readJourneys({ suites: [{ specs: [journey("one")] }], errors })).toMatchObject({ passed: 1, said });
  });

  it("is a failure where no journey ran at all", () => {
    expect(readJourneys({ suites: [] })).toEqual({ passed: 0, said: ["no journey ran"], acts: [] });
    expect(readJourneys({})).toMatchObject({ said: ["no journey ran"] });
  });
});
