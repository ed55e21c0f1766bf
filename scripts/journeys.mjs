import { stripVTControlCharacters } from "node:util";

/** The first lines of what a failure says, without colours. */
export const short = (words = "") => stripVTControlCharacters(words).split("\n").slice(0, 4).join("\n      ");

const specsIn = (suites = []) => suites.flatMap(({ suites: inner, specs = [] }) => [...specs, ...specsIn(inner)]);

/** What the journeys noted of how many acts a gesture takes. */
const actsOf = ({ tests }) =>
  tests.flatMap(({ annotations }) =>
    annotations.filter(({ type }) => type === "acts").map(({ description }) => description),
  );

function failureOf({ file, line, title, tests }) {
  const why = tests.flatMap(({ results }) => results.flatMap(({ error }) => error?.message ?? []))[0];
  return `${file}:${String(line)} ${title}\n      ${short(why)}`;
}

/**
 * Reads the report of the journeys: how many passed, a line for each thing that failed, and the acts that they noted. What
 * went wrong outside of every journey is a failure, and so is a report without any: a file that cannot be read leaves none.
 */
export function readJourneys({ suites, errors = [] }) {
  const specs = specsIn(suites);
  const failed = specs.filter(({ ok }) => !ok);
  const said = [
    ...failed.map(failureOf),
    ...errors.map(({ message }) => `outside of every journey\n      ${short(message)}`),
  ];
  if (specs.length === 0 && said.length === 0) said.push("no journey ran");
  return { passed: specs.length - failed.length, said, acts: specs.flatMap(actsOf) };
}
