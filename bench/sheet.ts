import { HyperFormula } from "hyperformula";
import type { FlatCourse } from "#core/totals";

const letters = (column: number): string =>
  column < 26 ? String.fromCharCode(65 + column) : letters(Math.floor(column / 26) - 1) + letters(column % 26);

/** The same course as a workbook: scores and days late typed in, counted values, category shares and the total as formulas. */
export function sheetOf(course: FlatCourse) {
  const { students, assignments } = course;
  const range = (read: (cell: number) => number | string) =>
    Array.from({ length: students }, (_, row) =>
      Array.from({ length: assignments }, (__, column) => read(row * assignments + column)),
    );
  const perCategory = assignments / course.categories.length;
  const scores = range((cell) => (course.values[cell] ?? 0) / 10_000);
  const late = range((cell) => course.unitsLate[cell] ?? 0);
  const counted = Array.from({ length: students }, (_, row) =>
    Array.from({ length: assignments }, (__, column) => {
      const at = `${letters(column)}${String(row + 1)}`;
      const points = (course.points[column] ?? 0) / 10_000;
      return `=MAX(Scores!${at}-0.05*Late!${at}*${String(points)},0)`;
    }),
  );
  const totals = Array.from({ length: students }, (_, row) => {
    const parts = course.categories.map((__, index) => {
      const [first, last] = [letters(index * perCategory), letters((index + 1) * perCategory - 1)];
      const cells = `Counted!${first}${String(row + 1)}:${last}${String(row + 1)}`;
      const points = (course.points[index * perCategory] ?? 0) / 10_000;
      return `=(SUM(${cells})-MIN(${cells}))/${String((perCategory - 1) * points)}*100`;
    });
    const sum = parts.map((__, index) => `12.5*${letters(index)}${String(row + 1)}`).join("+");
    return [...parts, `=(${sum})/100`];
  });
  return { Scores: scores, Late: late, Counted: counted, Totals: totals };
}

/** Builds the workbook, which computes every formula once. */
export const buildSheet = (course: FlatCourse): HyperFormula =>
  HyperFormula.buildFromSheets(sheetOf(course), { licenseKey: "gpl-v3", maxColumns: 500 });
