import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { matchPieces, type PieceId } from "#core/collect";
import type { AssignmentId } from "#core/kernel";
import { findHead, previewSheet, type Sheet } from "#core/formats";
import { assignmentsOf, studentsOf, type CourseState } from "#core/model";
import { chance, hardRoster, TELLING_HABITS, VAGUE_HABITS } from "../core/testing/naming-habits";
import { readSheets } from "../workers/tables/sheets-in";
import { writeSheets } from "../workers/tables/sheets-out";
import { ADDRESS, inApplication } from "./in-application";
import { appears, longestHold, says, watchPage } from "./watched";

const XLSX = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";

/** Milliseconds in which 1,000 pieces of every naming habit find their students among 1,000. */
export function measureMatching(): number {
  const next = chance(11);
  const students = hardRoster(1_000, next);
  const habits = [...Object.values(TELLING_HABITS), ...Object.values(VAGUE_HABITS)];
  const pieces = students.map((student, index) => ({
    id: `piece:${String(index)}` as PieceId,
    letter: null,
    sum: String(index),
    beginning: "",
    author: "",
    senderAddress: "",
    senderName: "",
    said: null,
    ...habits[index % habits.length]?.(student, next, "memo"),
    path: habits[index % habits.length]?.(student, next, "memo").path ?? "",
  }));
  const start = performance.now();
  matchPieces(pieces, {
    students,
    groupOf: () => null,
    decided: new Map(),
    title: "memo",
    assignmentId: "assignment:memo" as AssignmentId,
  });
  return performance.now() - start;
}

/** Milliseconds to read an .xlsx of 5,000 rows and 30 columns, and to look each cell over against a course. */
export async function measureSheet(state: CourseState): Promise<{ readonly read: number; readonly look: number }> {
  const students = studentsOf(state);
  const assignments = assignmentsOf(state).slice(0, 29);
  const rows = Array.from({ length: 5_000 }, (_, row) => [
    students[row % students.length]?.number ?? "",
    ...assignments.map((_assignment, column) => ((row * 7 + column) % 40) / 2),
  ]);
  const sheet: Sheet = { name: "Scores", rows: [["Number", ...assignments.map(({ name }) => name)], ...rows] };
  const blob = await writeSheets([sheet], "xlsx", "point");
  const start = performance.now();
  const [back] = await readSheets(blob, XLSX);
  const read = performance.now() - start;
  const head = back && findHead(state, back, null);
  if (head) previewSheet(state, back, head, null);
  return { read, look: performance.now() - start - read };
}

/** Milliseconds from 300 files chosen to the first rows in sight, to all of them read, and the longest the page was held. */
export async function measureTray() {
  const folder = mkdtempSync(join(tmpdir(), "quill-bench-"));
  // By their paths: buffers would be carried into the page first, which is not what is measured.
  const files = Array.from({ length: 300 }, (_, index) => {
    const path = join(folder, `essay ${String(index)}.md`);
    writeFileSync(path, `# Essay ${String(index)}\n${"The river rose in the night. ".repeat(200)}`);
    return path;
  });
  try {
    return await inApplication(async (page) => {
      await page.goto(`${ADDRESS}/courses/reading-rivers/collect?into=story-map`);
      await page.locator("html[data-ready]").waitFor();
      await watchPage(page);
      const start = Date.now();
      await page.locator('input[type="file"][aria-label="Choose files"]').setInputFiles(files);
      await appears(page, '[aria-label="What came in"] li:nth-of-type(2)');
      const first = Date.now() - start;
      await says(page, "300 to decide");
      const all = Date.now() - start;
      return { first, all, longest: await longestHold(page) };
    }, 60_000);
  } finally {
    rmSync(folder, { recursive: true });
  }
}
