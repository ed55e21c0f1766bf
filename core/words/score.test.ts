import { describe, expect, it } from "vitest";
import type { ScoreCopy, Told } from "#core/model";
import { decimal } from "#core/kernel";
import { classFiguresWords, deductionWords, ofMaximum, pointsWords, scoreWords, toldWords } from "./index";

const d = decimal;
const score = (standing: ScoreCopy["standing"], points: string | null, maximum = "20") => ({
  standing,
  points: points === null ? null : d(points),
  maximum: d(maximum),
});

describe("a score in words", () => {
  it.each([
    [score("handedIn", "17.5"), "17.5 / 20"],
    [score("handedIn", null), "– / 20"],
    [score("missing", "0"), "missing, 0 / 20"],
    [score("missing", null), "missing"],
    [score("missing", "0", "0"), "missing"],
    [score("excused", "12"), "excused"],
    [score("handedIn", "1", "0"), "1 point, bonus"],
    [score("handedIn", "2.5", "0"), "2.5 points, bonus"],
  ])("%j reads %s", (copy, words) => {
    expect(scoreWords(copy)).toBe(words);
  });

  it("is its level alone where a level says all there is", () => {
    expect(scoreWords({ ...score("handedIn", null), level: "Not yet" })).toBe("Not yet");
    expect(scoreWords({ ...score("missing", null), level: null })).toBe("missing");
  });

  it("is the same inside the account of a total", () => {
    const told = (dropped: boolean): Told => ({ kind: "score", ...score("handedIn", "17.5"), dropped });
    expect([told(false), told(true)].map(toldWords)).toEqual(["17.5 / 20", "17.5 / 20, dropped"]);
    expect(toldWords({ kind: "percent", percent: "71.0" })).toBe("71.0 %");
    expect(toldWords({ kind: "words", text: "missing, 0 / 20" })).toBe("missing, 0 / 20");
    expect(toldWords(null)).toBeNull();
  });

  it("says what being late took, where it took something", () => {
    const copy = { ...score("handedIn", "15"), exact: "15/1", unitsLate: 1, beforeDeduction: d("16") } as ScoreCopy;
    expect(deductionWords(copy)).toBe("16 before the deduction for being late");
    expect(deductionWords({ ...copy, beforeDeduction: null })).toBeNull();
  });

  it("counts in singular and plural", () => {
    expect([pointsWords("1"), pointsWords("2"), pointsWords(null)]).toEqual(["1 point", "2 points", "– points"]);
    expect(ofMaximum(null, "8")).toBe("– / 8");
    const figures = { students: 1, mean: "7.0", median: "7.0", maximum: d("8") };
    expect(classFiguresWords(figures)).toBe("The class, 1 paper: mean 7.0, median 7.0 of 8");
  });
});
