import { sameValue, type StudentId } from "#core/kernel";
import { outcomeRubricOf, questionsOf, rubricOf, type CourseState, type Packet } from "#core/model";
import { blankPart, partHere, partsOf, type Fields, type Part } from "./parts";
import type { ReturnedPacket } from "./returned";
import { blankMarkField, secondPartHere, secondPartsOf } from "./second-parts";

/**
 * What became of a part:
 *
 * | changed in the packet | changed here since  | state      |
 * |-----------------------|---------------------|------------|
 * | no                    | no, or yes          | `untouched` |
 * | yes                   | no, and it was open | `new`      |
 * | yes                   | no, and it was not  | `differs`  |
 * | yes                   | yes, to the same    | `same`     |
 * | yes                   | yes, to another     | `conflict` |
 * | yes                   | its criterion is gone | `gone`    |
 */
export type PartState = "untouched" | "same" | "gone" | "new" | "differs" | "conflict";

/** A part of a packet beside what the course has in its place. */
export interface ComparedPart {
  readonly place: string;
  readonly part: Part;
  readonly here: Fields | null;
  readonly there: Fields | null;
  readonly state: PartState;
}

/** A paper of a packet that came back; its state is the one that asks most of the person. */
export interface ComparedPaper {
  readonly studentId: StudentId;
  readonly state: PartState;
  /** What was changed in the packet. */
  readonly parts: readonly ComparedPart[];
}

const WEIGHT: readonly PartState[] = ["untouched", "same", "gone", "new", "differs", "conflict"];

/** Every paper of a packet that came back, in the packet's order; papers of students who are gone are left out. */
export function comparePacket(here: CourseState, { packet, before, there }: ReturnedPacket): readonly ComparedPaper[] {
  const isSecond = packet.purpose === "second";
  const read = isSecond ? secondPartsOf : partsOf;
  const [was, is] = [read(before, packet), read(there, packet)];
  const hasPlace = placesIn(here, packet);
  const byPaper = new Map<StudentId, ComparedPart[]>(packet.papers.map(({ studentId }) => [studentId, []]));
  for (const place of new Set([...was.keys(), ...is.keys()])) {
    const part = is.get(place) ?? was.get(place);
    const papers = part && byPaper.get(part.studentId);
    if (!part || !papers || !here.students[part.studentId]) continue;
    const compared = comparePart(here, part, { was: valueOf(was, part, place), is: valueOf(is, part, place) });
    if (compared.state === "untouched") continue;
    papers.push({ place, ...compared, ...(!hasPlace(part) && { state: "gone" as const }) });
  }
  return [...byPaper].map(([studentId, parts]) => ({
    studentId,
    parts,
    state: parts.reduce<PartState>((most, { state }) => (rank(state) > rank(most) ? state : most), "untouched"),
  }));
}

/** Whether the course still has the criterion or the question that a part belongs to. */
function placesIn(here: CourseState, { assignmentId }: Packet): (part: Part) => boolean {
  const assignment = here.assignments[assignmentId];
  const rubrics = assignment ? [rubricOf(here, assignment), outcomeRubricOf(here, assignment)] : [];
  const criteria = new Set<string>(rubrics.flatMap((rubric) => rubric?.criteria.map(({ id }) => id) ?? []));
  const questions = new Set<string>(questionsOf(here, assignmentId).map(({ id }) => id));
  return ({ table, id, fields: [field = ""] }) => {
    if (table === "judgements") return criteria.has(id.split("/")[2] ?? "");
    if (table === "answers") return questions.has(id.split("/")[2] ?? "");
    return table !== "secondMarks" || !field.startsWith("criterion:") || criteria.has(field);
  };
}

const rank = (state: PartState): number => WEIGHT.indexOf(state);

/** What stands in a part; where the packet has no such record, what is there before anybody touches it. */
function valueOf(parts: ReadonlyMap<string, Part>, part: Part, place: string): Fields | null {
  const found = parts.get(place);
  if (found) return found.value;
  return blankOf(part);
}

function blankOf(part: Part): Fields | null {
  if (part.table === "secondMarks")
    return Object.fromEntries(part.fields.map((field) => [field, blankMarkField(field)]));
  return blankPart(part);
}

function comparePart(
  state: CourseState,
  part: Part,
  { was, is }: { readonly was: Fields | null; readonly is: Fields | null },
): Omit<ComparedPart, "place"> {
  const here = part.table === "secondMarks" ? secondPartHere(state, part) : partHere(state, part);
  const isOpen = sameValue(was, blankOf(part));
  const became: PartState = sameValue(was, is)
    ? "untouched"
    : sameValue(here, is)
      ? "same"
      : !sameValue(here, was)
        ? "conflict"
        : isOpen
          ? "new"
          : "differs";
  return { part, here, there: is, state: became };
}
