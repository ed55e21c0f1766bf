import { leakReport, type Checked } from "#core/changes";
import { studentsOf } from "#core/model";
import { computeCourse, figuresOf } from "#core/totals";
import { fromDecimal, required, roundToText, subtract, toNumber } from "#core/kernel";
import { madeUpCourse } from "./flat-course";
import { leakyChecked, leakyCourse, withOneScore } from "./leaks";
import { largeCourse, withScore } from "./large-course";
import { buildSheet } from "./sheet";
import { measureCheck, measureOverlap } from "./check";
import { measureCheckView } from "./check-view";
import { measureMatching, measureSheet, measureTray } from "./collect";
import { measureLock } from "./lock";
import { measurePackets } from "./packets";
import { measureScan } from "./scan";
import { measureDesk } from "./desk";
import { measureGradebook } from "./gradebook";
import { measureRelease } from "./release";
import { computeInWorker } from "./in-browser";
import { median } from "./median";

const STUDENTS = 1_000;
const ASSIGNMENTS = 120;

/** Median time of several rounds, in milliseconds; the first ones, while the machine warms up, are left out. */
function timed(rounds: number, work: (round: number) => void, warmUp = 3): number {
  const times: number[] = [];
  for (let round = -warmUp; round < rounds; round += 1) {
    const start = performance.now();
    work(Math.max(0, round));
    if (round >= 0) times.push(performance.now() - start);
  }
  return median(times);
}

const rows: [what: string, ours: string, sheet: string, ratio: string][] = [];
const ms = (time: number) => (time < 10 ? time.toFixed(3) : time.toFixed(0)) + " ms";
const row = (what: string, ours: number, sheet: number | null = null) =>
  rows.push([what, ms(ours), sheet === null ? "" : ms(sheet), sheet === null ? "" : `${(sheet / ours).toFixed(0)} x`]);

const course = madeUpCourse(STUDENTS, ASSIGNMENTS, false);
const totals = computeCourse(course);

const sheet = { engine: buildSheet(course) };
const buildTime = timed(
  3,
  () => {
    sheet.engine.destroy();
    sheet.engine = buildSheet(course);
  },
  0,
);
row(
  `whole course, ${String(STUDENTS)} x ${String(ASSIGNMENTS)}, flat engine (previews)`,
  timed(15, () => computeCourse(course)),
  buildTime,
);

const scores = sheet.engine.getSheetId("Scores") ?? 0;
const results = sheet.engine.getSheetId("Totals") ?? 0;
let worst = 0;
for (let student = 0; student < STUDENTS; student += 1) {
  const shown = sheet.engine.getCellValue({ sheet: results, row: student, col: 8 });
  const exact = totals.percents[student];
  if (exact && typeof shown === "number") worst = Math.max(worst, Math.abs(toNumber(exact) - shown));
}
// The engine of the screens, with an explanation behind every figure; a sheet has none.
const live = { state: largeCourse(STUDENTS, ASSIGNMENTS) };
for (const { id } of studentsOf(live.state)) figuresOf(live.state).totals(id);
const oneOurs = timed(300, (round) => {
  live.state = withScore(live.state, round);
  figuresOf(live.state).totals(required(studentsOf(live.state)[(round * 37) % STUDENTS], "student").id);
});
const oneSheet = timed(300, (round) => {
  const address = { sheet: scores, row: (round * 37) % STUDENTS, col: round % ASSIGNMENTS };
  sheet.engine.setCellContents(address, ((round * 7) % 40) / 2);
});
row("one changed score to that student's totals, engine of the screens", oneOurs, oneSheet);
sheet.engine.destroy();

const unequal = madeUpCourse(STUDENTS, ASSIGNMENTS, true);
row(
  "the same with unequal points dropped",
  timed(9, () => computeCourse(unequal)),
);

const leaky = leakyCourse(STUDENTS, 32);
const lookAt = (checked: Checked) => () => {
  for (const { id } of studentsOf(checked.state)) leakReport(checked, id);
};
const leakTime = timed(1, lookAt(leakyChecked(leaky)), 0);
row(`leak check, ${String(STUDENTS)} students x 32, 8 sealed each`, leakTime);
const once = { ...leakyChecked(leaky), state: withOneScore(leaky) };
row("leak check after one score", timed(1, lookAt(once), 0));

const single = figuresOf(leaky);
row(
  "totals of one student with explanations at hand",
  timed(200, (round) => single.totals(studentsOf(leaky)[round]?.id ?? ("" as never)), 0),
);

const worker = await computeInWorker(STUDENTS, ASSIGNMENTS);
row("whole course in a web worker (Chromium)", worker.compute);

const gradebook = await measureGradebook(STUDENTS, ASSIGNMENTS);
row("gradebook: opened from another screen", gradebook.opened);
row("gradebook: page reloaded", gradebook.reloaded);
row("gradebook: key to new total, median", gradebook.keyMedian);
row("gradebook: key to new total, 95th percentile", gradebook.key95);

const desk = await measureDesk();
row(`desk: next paper on screen, median of ${String(desk.papers)}`, desk.nextMedian);
row("desk: next paper on screen, slowest", desk.nextWorst);
row("desk: key to note in the margin, median", desk.noteMedian);
row("desk: key to note in the margin, slowest", desk.noteWorst);
row("desk: first page of a PDF of 200, with taking it in", desk.firstPage);

const released = await measureRelease(STUDENTS, 32);
row("release: opened, 1,000 x 32", released.opened);
row("release: the longest the page was held meanwhile", released.openedHold);
row("release: the running total shown to all", released.shown);
row("release: the longest the page was held meanwhile", released.shownHold);
row("release: the running total sealed again", released.sealed);
row("release: the longest the page was held meanwhile", released.sealedHold);
row("release: totals on show rest on released work", released.rested);
row("release: the longest the page was held meanwhile", released.restedHold);
row("release: a score released, the total on show", released.released);
row("release: the longest the page was held meanwhile", released.releasedHold);

const checked = measureCheck(largeCourse(STUDENTS, ASSIGNMENTS, true));
row("check: spread and eight criteria of 1,000 students", checked.shown);
row("check: the same on screen, from the choice to the picture (Chromium)", await measureCheckView(STUDENTS, 32));
row("check: what looks odd of one assignment, of 1,000 x 120", checked.odd);
row("check: the same after a score changed elsewhere", checked.again);
row("check: 300 papers of 1,500 words held against each other", measureOverlap());
const packets = await measurePackets(live.state);
row("packet: 60 papers of 1 MB each handed over, written and read back", packets.out);
row("packet: the same taken back, read and compared", packets.back);
row("collect: 1,000 pieces matched with 1,000 students", measureMatching());
const spread = await measureSheet(live.state);
row("collect: .xlsx of 5,000 x 30 read", spread.read);
row("collect: its 145,000 cells looked over", spread.look);
const tray = await measureTray();
row("collect: 300 files chosen, first row in sight", tray.first);
row("collect: 300 files chosen, all read and matched", tray.all);
const lock = await measureLock();
row("lock: the demo course sealed, with its files", lock.locked);
row("lock: passphrase sent to gradebook in sight, trying it made to cost some 700", lock.unlocked);
row("lock: code of the recovery sheet sent to gradebook in sight, median", lock.opened);
row("lock: key to figure on screen, median, without a lock", lock.shown.open);
row("lock: the same with the lock on", lock.shown.sealed);
row("lock: key to kept, median, without a lock", lock.kept.open);
row("lock: the same with the lock on", lock.kept.sealed);
const scan = await measureScan();
row("collect: a scan of 300 pages cut into 60 papers", scan.all);

const widths = [0, 1, 2, 3].map((column) => Math.max(...rows.map((cells) => (cells[column] ?? "").length), 12));
const print = (cells: readonly string[]) => {
  console.log(
    cells
      .map((cell, column) => (column === 0 ? cell.padEnd(widths[0] ?? 0) : cell.padStart(widths[column] ?? 0)))
      .join("  "),
  );
};
print(["", "Upright Quill", "sheet engine", "ratio"]);
rows.forEach(print);
console.log(
  `\nLongest the page was held up while the worker computed: ${worker.longestFrame.toFixed(0)} ms between two frames.`,
);
console.log(
  `Longest the page was held up while the scan was read: ${scan.longest.toFixed(0)} ms; most memory ${scan.megabytes.toFixed(0)} MB.`,
);
console.log(
  `Frames without cells while the gradebook was scrolled: ${String(gradebook.blankFrames)} of ${String(gradebook.frames)}.`,
);
console.log(`Longest task of the page while 300 files were read: ${tray.longest.toFixed(0)} ms.`);
console.log(`Most pages drawn at a time while scrolling through the 200: ${String(desk.mostPages)}.`);
console.log(
  `Students worked out the long way: ${String(totals.longWay.size)}. Largest difference from the sheet's doubles: ${worst.toExponential(1)}.`,
);
console.log(`First total, exact and as displayed: ${firstTotal()}`);

function firstTotal(): string {
  const [first] = computeCourse(course).percents;
  if (!first) return "none";
  const beyond = subtract(first, fromDecimal(roundToText(first, 1) as never));
  return `${String(first.n)}/${String(first.d)} = ${roundToText(first, 1)} (rounded by ${toNumber(beyond).toFixed(4)})`;
}
