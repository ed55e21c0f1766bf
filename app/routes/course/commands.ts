import {
  assignmentsOf,
  courseOf,
  findStudents,
  rosterName,
  plainText,
  studentsOf,
  type CourseState,
} from "#core/model";
import { inAddress, studentAddress, windowAddress } from "../../ui/address";

/** Something found, and where it leads. */
export interface Found {
  readonly words: string;
  readonly kind: string;
  readonly to: string;
}

/** Most that is listed of each kind. */
const SHOWN = 8;

/** What can be done where one is; so far the desk has something of its own. */
const actionsAt = (pathname: string): Found[] =>
  /\/score\/[^/]+\/[^/]+$/.test(pathname)
    ? [{ words: "The whole rubric of this paper", kind: "action", to: `${pathname}?rubric=whole` }]
    : [];

/**
 * Students, assignments and actions that a text finds; actions alone where nothing is typed. What can be done where one
 * is stands first.
 */
export function findCommands(slot: string, state: CourseState, text: string, pathname: string): Found[] {
  const wanted = plainText(text.trim());
  const isPacket = courseOf(state).packet !== null;
  const home = `/courses/${slot}`;
  const fits = (words: string) => wanted.split(/\s+/).every((word) => plainText(words).includes(word));
  const places = [...actionsAt(pathname), ...(isPacket ? packetPlaces(home) : placesOf(home))].filter(({ words }) =>
    fits(words),
  );
  if (wanted === "" || isPacket) return places;
  const students = findStudents(studentsOf(state), text).students.slice(0, SHOWN);
  const work = assignmentsOf(state)
    .flatMap(({ id, name }) => [
      { words: name, kind: "assignment", to: `${home}/plan/assignments/${inAddress(id)}` },
      { words: `${name}: one criterion over all papers`, kind: "action", to: `${home}/sweep/${inAddress(id)}` },
      { words: `${name}: quick list`, kind: "action", to: `${home}/quick/${inAddress(id)}` },
      { words: `${name}: enter scores from the pile`, kind: "action", to: `${home}/pile/${inAddress(id)}` },
    ])
    .filter(({ words }) => fits(words));
  return [
    ...students.map((student) => ({
      words: rosterName(state, student),
      kind: "student",
      to: studentAddress(slot, student.id),
    })),
    ...work.slice(0, 4 * SHOWN),
    ...students.slice(0, 1).map((student) => ({
      words: `${rosterName(state, student)}: what they see`,
      kind: "action",
      to: windowAddress(slot, student.id),
    })),
    ...places,
  ];
}

const packetPlaces = (home: string): Found[] =>
  (
    [
      ["Score: go on where you left off", "/score"],
      ["Everything that waits, oldest first", "/waiting"],
      ["Give back", "/give-back"],
      ["Journal", "/journal"],
    ] as const
  ).map(([words, path]) => ({ words, kind: "place", to: home + path }));

const placesOf = (home: string): Found[] =>
  (
    [
      ["Board", ""],
      ["Plan: assignments and weights", "/plan"],
      ["Plan: course and roster", "/plan/course"],
      ["Plan: rules", "/plan/rules"],
      ["Plan: rubrics", "/plan/rubrics"],
      ["Collect: what came in", "/collect"],
      ["Score: go on where you left off", "/score"],
      ["Everything that waits, oldest first", "/waiting"],
      ["Release", "/release"],
      ["Gradebook", "/gradebook"],
      ["Gradebook: with work waiting", "/gradebook?show=waiting"],
      ["Gradebook: with work missing", "/gradebook?show=missing"],
      ["Gradebook: set by hand", "/gradebook?show=setByHand"],
      ["Outcomes over all work", "/outcomes"],
      ["Students", "/students"],
      ["Journal", "/journal"],
      ["Files: make a course file", "/files"],
      ["Lock: passphrase and recovery sheet", "/lock"],
    ] as const
  ).map(([words, path]) => ({ words, kind: "place", to: home + path }));
