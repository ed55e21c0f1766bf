import {
  fromDecimal,
  HUNDRED,
  roundToText,
  subtract,
  sum,
  toNumber,
  type AssignmentId,
  type CategoryId,
} from "#core/kernel";
import {
  assignmentsOf,
  courseOf,
  recordsOf,
  studentsOf,
  type Assignment,
  type Category,
  type CourseState,
} from "#core/model";
import { withoutWeight } from "#core/release";
import { checkPlan, figuresOf, planOf, termOf, type PlanNode } from "#core/totals";
import { METHOD_WORDS, dayText, pointsWords } from "#core/words";
import { inMark } from "../../ui/words/figures";

/** An assignment as a line of the plan. */
export interface PlanLine {
  readonly id: AssignmentId;
  readonly name: string;
  readonly details: readonly string[];
  readonly due: string | null;
  /** Why the due date hurts; empty where it does not. */
  readonly dateTrouble: string;
  readonly hidden: boolean;
  /** Students with anything recorded. */
  readonly scored: number;
}

/** A category with its lines; `depth` 0 for those of the course itself. */
export interface PlanBlock {
  readonly id: CategoryId;
  readonly name: string;
  readonly weight: string;
  readonly depth: number;
  /** The category it lies in, in whose points its weight counts; empty for one of the course itself. */
  readonly inside: string;
  readonly bonus: boolean;
  readonly rule: string;
  readonly method: Category["method"];
  readonly keep: Category["keep"];
  readonly lines: readonly PlanLine[];
}

/** A stretch of the weights' ruler, as shares of its whole length. */
export interface WeightPart {
  readonly id: string;
  readonly name: string;
  readonly weight: string;
  readonly share: number;
}

/** The plan as it is drawn. */
export interface PlanRows {
  readonly title: string;
  readonly timeZone: string;
  readonly straight: boolean;
  readonly blocks: readonly PlanBlock[];
  readonly weights: readonly WeightPart[];
  /** The sum of the weights, and what is missing to 100 or above it. */
  readonly sum: string;
  readonly rest: { readonly kind: "missing" | "over"; readonly percent: string; readonly share: number } | null;
  readonly points: string;
  readonly students: number;
  readonly faults: readonly string[];
}

/** How a category combines, in a few words. */
export function ruleWords({ method, keep, bonus }: Pick<Category, "method" | "keep" | "bonus">): string {
  const kept =
    keep.kind === "all"
      ? ""
      : keep.kind === "dropLowest"
        ? `lowest ${keep.count === 1 ? "" : `${String(keep.count)} `}dropped`
        : `best ${keep.count === 1 ? "" : `${String(keep.count)} `}kept`;
  return [METHOD_WORDS[method], kept, bonus ? "bonus" : ""].filter(Boolean).join(", ");
}

const CHANNEL_WORDS: Readonly<Record<Assignment["channel"], string>> = {
  file: "",
  text: "as text",
  link: "as a link",
  paper: "on paper",
  discussion: "in discussion",
  answers: "as answers",
  nothing: "nothing handed in",
};

/** The plan of a course, from its records to what is drawn. */
export function planRows(state: CourseState): PlanRows {
  const course = courseOf(state);
  const { roots } = planOf(state);
  const weighed = roots.flatMap(({ category: { id, name, weight, bonus } }) =>
    weight === null || bonus ? [] : [{ id, name, weight, exact: fromDecimal(weight) }],
  );
  const total = sum(weighed.map(({ exact }) => exact));
  const left = subtract(HUNDRED, total);
  const length = Math.max(100, toNumber(total)) || 100;
  const blocks = (nodes: readonly PlanNode[], depth: number): PlanBlock[] =>
    nodes.flatMap((node) => [blockOf(state, node.category, depth), ...blocks(node.children, depth + 1)]);
  const straight = course.totals === "points";
  return {
    title: course.title,
    timeZone: course.timeZone,
    straight,
    blocks: blocks(roots, 0),
    weights: weighed.map(({ exact, ...part }) => ({ ...part, share: toNumber(exact) / length })),
    sum: inMark(roundToText(total, 1).replace(/\.0$/, "")),
    rest:
      left.n === 0n || weighed.length === 0 || straight
        ? null
        : {
            kind: left.n > 0n ? "missing" : "over",
            percent: inMark(roundToText(left.n > 0n ? left : subtract(total, HUNDRED), 4).replace(/\.?0+$/, "")),
            share: Math.abs(toNumber(left)) / length,
          },
    points: inMark(
      roundToText(
        sum(
          assignmentsOf(state)
            .filter(({ bonus, counts }) => counts && !bonus)
            .map(({ points }) => fromDecimal(points)),
        ),
        2,
      ),
    ).replace(/\.?0+$/, ""),
    students: studentsOf(state).length,
    faults: faultWords(state),
  };
}

function blockOf(state: CourseState, category: Category, depth: number): PlanBlock {
  return {
    id: category.id,
    name: category.name,
    weight: category.weight ?? "",
    depth,
    inside: category.parentId ? (state.categories[category.parentId]?.name ?? "") : "",
    bonus: category.bonus,
    rule: ruleWords(category),
    method: category.method,
    keep: category.keep,
    lines: assignmentsOf(state)
      .filter(({ categoryId }) => categoryId === category.id)
      .map((assignment) => lineOf(state, assignment)),
  };
}

function lineOf(state: CourseState, assignment: Assignment): PlanLine {
  const { terms, timeZone } = { terms: Object.values(state.terms), timeZone: courseOf(state).timeZone };
  const { figure } = figuresOf(state);
  const inNoTerm = terms.length > 0 && termOf(terms, assignment) === null;
  const rubric = assignment.rubricId && state.rubrics[assignment.rubricId]?.name;
  return {
    id: assignment.id,
    name: assignment.name,
    details: [
      assignment.bonus
        ? ["bonus", assignment.points === "0" ? "" : inMark(pointsWords(assignment.points))].filter(Boolean).join(", ")
        : inMark(pointsWords(assignment.points)),
      CHANNEL_WORDS[assignment.channel],
      assignment.grouping === "groups" ? "in groups" : "",
      assignment.counts ? "" : "counts nowhere",
      rubric ? `rubric ${rubric}` : "",
    ].filter(Boolean),
    due: assignment.dueAt && dayText(assignment.dueAt, timeZone),
    dateTrouble:
      assignment.dueAt === null
        ? terms.length > 0
          ? "No due date: it belongs to no term"
          : "No due date"
        : inNoTerm
          ? "Due outside every term: it counts in none"
          : "",
    hidden: assignment.hidden,
    scored: studentsOf(state).filter(({ id }) => figure(assignment.id, id).counted !== null).length,
  };
}

function faultWords(state: CourseState): string[] {
  const undated = checkPlan(state).flatMap((finding) => (finding.code === "in_no_term" ? [finding.assignmentId] : []));
  const names = undated.flatMap((id) => state.assignments[id as AssignmentId]?.name ?? []);
  const weightless = withoutWeight(state).map(
    ({ name }) => `${name} has no weight, so the course total leaves it out. Give it one at its right.`,
  );
  return names.length === 0
    ? weightless
    : [
        ...weightless,
        `${names.join(", ")}: in no term, so the term totals leave ${names.length === 1 ? "it" : "them"} out.`,
      ];
}

/** What would be lost with some assignments, in words; empty where there is nothing yet. */
export function lossWords(state: CourseState, ids: readonly AssignmentId[]): string[] {
  const gone = new Set(ids);
  const count = (table: "results" | "handIns" | "judgements" | "notes") =>
    recordsOf(state, table).filter(({ assignmentId }) => gone.has(assignmentId)).length;
  const parts: readonly (readonly [number, string, string])[] = [
    [count("results"), "result", "results"],
    [count("handIns"), "hand-in", "hand-ins"],
    [count("judgements"), "judged criterion", "judged criteria"],
    [count("notes"), "note", "notes"],
  ];
  return parts.flatMap(([number, one, many]) =>
    number === 0 ? [] : [`${String(number)} ${number === 1 ? one : many}`],
  );
}
