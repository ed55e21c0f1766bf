// A day of use in fast motion, in Node: 20,000 changes in sittings of 500, each sitting opened anew. What is kept, the
// memory of an open course and the time to open it may grow with what the course holds, and with nothing else: at the end
// the same journal, written at once into an empty store, is the measure.
import { brokenLink, CHAIN_START } from "#core/changes";
import { required, sameValue, type Instant } from "#core/kernel";
import { assignmentsOf, studentsOf } from "#core/model";
import { Repository, type CourseSession } from "#storage";
import { chanceFrom } from "../scripts/chance.mjs";
import { wholeChain } from "../storage/testing/whole-chain";
import { memoryNeighbours, memoryShelves } from "../storage/shelves/memory-shelves";
import type { Shelf, Shelves } from "../storage/shelves/shelf";
import { largeCourseEntry } from "./large-course";

const CHANGES = Number(process.argv[2] ?? 20_000);
const SITTING = 500;
const AT = "2026-12-01T09:00:00Z" as Instant;

let count = 0;
const surroundings = { now: () => AT, fresh: () => `day${String((count += 1)).padStart(9, "0")}` };
const openIn = (shelves: Shelves) => Repository.open(shelves, memoryNeighbours()(), surroundings);

/** Scores mostly, comments, what is missing, and now and then a step back; whether it was taken. */
function act(session: CourseSession, chance: () => number): boolean {
  const pick = <T>(list: readonly T[]): T => required(list[Math.floor(chance() * list.length)], "one of the list");
  const at = { assignmentId: pick(assignmentsOf(session.state)).id, studentId: pick(studentsOf(session.state)).id };
  const what = chance();
  if (what < 0.05) return session.step("undo").ok;
  if (what < 0.1) return session.submit({ type: "setStanding", ...at, decision: chance() < 0.5 ? "missing" : null }).ok;
  if (what < 0.2)
    return session.submit({ type: "setComment", ...at, facing: "student", text: `Seen on look ${String(chance())}` })
      .ok;
  return session.submit({ type: "setScore", ...at, text: String(Math.floor(chance() * 40) / 2) }).ok;
}

/** Bytes of all that lies in a store, as JSON. */
async function sizeOf(shelf: Shelf): Promise<number> {
  let size = 0;
  for (const key of await shelf.keys()) {
    const value = await shelf.get(key);
    size += value instanceof Blob ? value.size : JSON.stringify(value).length;
  }
  return size;
}

function heap(): number {
  globalThis.gc?.();
  return process.memoryUsage().heapUsed / 1e6;
}

/** Opens the course anew: how long it takes, and what it holds in memory while it is open. */
async function reopened(shelves: Shelves, slot: string) {
  const before = heap();
  const start = performance.now();
  const session = required(await (await openIn(shelves)).session(slot), "session");
  const took = performance.now() - start;
  return { session, took, memory: heap() - before };
}

const shelves = memoryShelves();
const slot = await (await openIn(shelves)).keepCourse("day", [largeCourseEntry(250, 60)], new Map());
const chance = chanceFrom(7);
let taken = 0;
console.log("| changes | open, ms | memory of the open course, MB | journal kept, MB |\n| ---: | ---: | ---: | ---: |");
const row = async (changes: number | string, of: Shelves, took: number, memory: number) => {
  const kept = (await sizeOf(of.journal)) / 1e6;
  console.log(`| ${[String(changes), took.toFixed(0), memory.toFixed(1), kept.toFixed(1)].join(" | ")} |`);
};
for (let done = 0; ; done += SITTING) {
  const { session, took, memory } = await reopened(shelves, slot);
  if (done % (CHANGES / 5) === 0) await row(done, shelves, took, memory);
  if (done < CHANGES) for (let change = 0; change < SITTING; change += 1) taken += act(session, chance) ? 1 : 0;
  await session.settled();
  session.close();
  if (done >= CHANGES) break;
}
const { session } = await reopened(shelves, slot);
const fresh = memoryShelves();
const place = await (await openIn(fresh)).keepCourse("day", session.entries, new Map());
const { session: same, took, memory } = await reopened(fresh, place);
await row("the same, written at once", fresh, took, memory);
const broken = brokenLink({ ...(await wholeChain(await session.journal())), before: CHAIN_START });
const isWhole = broken === null && session.entries.length === taken + 1;
const isSame = sameValue(session.state, same.state);
console.log(`${String(taken)} changes taken; ${isWhole ? "every one in its place" : "NOT every one in its place"}`);
console.log(isSame ? "the same course as written at once" : "NOT the same course");
process.exit(isWhole && isSame ? 0 : 1);
