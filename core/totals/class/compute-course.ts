import { divide, fromDecimal, HUNDRED, multiply, ratio, type Decimal, type Exact } from "#core/kernel";
import { afterDeduction } from "#core/scoring";
import { categoryTotal, type CategoryTotal, type Item } from "../rules/category-total";
import { capped, termTotal } from "../rules/course-total";
import { flatCategory, newBasket, type Basket, type Fraction } from "./flat-category";
import { CELL, FLAG, type FlatCourse, type FlatTotals } from "./flat-course";
import { countedUnits, isCompounded, TEN_THOUSAND, unitsFor, type Units } from "./flat-units";

/** What the work on one course needs again and again. */
interface Run {
  readonly course: FlatCourse;
  readonly units: Units;
  readonly basket: Basket;
  readonly out: Fraction;
  /** The assignments of each category. */
  readonly members: readonly Int32Array[];
  /** The weight of each category in ten-thousandths; null where it has none. */
  readonly weights: readonly (bigint | null)[];
}

function startRun(course: FlatCourse): Run {
  const members = course.categories.map((_, index) =>
    Int32Array.from(course.category.keys()).filter((assignment) => course.category[assignment] === index),
  );
  return {
    course,
    units: unitsFor(course),
    basket: newBasket(course.assignments),
    out: { numerator: 0, denominator: 0, possible: 0, safe: true },
    members,
    weights: course.categories.map(({ weight }) => weight && weightUnits(weight)),
  };
}

/**
 * All totals of a course, exactly, from flat arrays. Sums run in whole numbers that doubles hold exactly; where they would
 * not, that student is worked out with rationals. Both ways follow handbook sections 2, 4 and 5.
 */
export function computeCourse(course: FlatCourse): FlatTotals {
  const cells = course.students * course.categories.length;
  const totals: FlatTotals = {
    percents: new Array<Exact | null>(course.students).fill(null),
    numerators: new Float64Array(cells),
    denominators: new Float64Array(cells),
    possible: new Float64Array(cells),
    longWay: new Set(),
  };
  const run = startRun(course);
  for (let student = 0; student < course.students; student += 1) computeStudent(run, totals, student);
  return totals;
}

function computeStudent(run: Run, totals: FlatTotals, student: number): void {
  const { course } = run;
  let safe = !hasFractions(course, student);
  for (let index = 0; safe && index < course.categories.length; index += 1) {
    safe = computeCategory(run, totals, student, index);
  }
  if (safe) totals.percents[student] = totalOf(run, totals, student * course.categories.length);
  else theLongWay(course, totals, student);
}

/** One category of one student. Answers whether whole numbers were enough. */
function computeCategory(run: Run, totals: FlatTotals, student: number, category: number): boolean {
  const cell = student * run.course.categories.length + category;
  const safe = fillCategory(run, student, category);
  totals.numerators[cell] = run.out.numerator;
  totals.denominators[cell] = run.out.denominator;
  totals.possible[cell] = run.out.possible;
  // Bonus with nothing beside it has no percentage to carry it.
  return safe && (run.out.denominator !== 0 || run.basket.gain === 0);
}

function hasFractions(course: FlatCourse, student: number): boolean {
  if (course.fractions.size === 0) return false;
  for (let cell = student * course.assignments; cell < (student + 1) * course.assignments; cell += 1) {
    if (course.fractions.has(cell)) return true;
  }
  return false;
}

/** Puts one category of one student into the basket and works it out. Answers whether the figure is exact. */
function fillCategory({ course, units, basket, out, members }: Run, student: number, category: number): boolean {
  const rule = course.categories[category];
  if (!rule) return false;
  basket.size = 0;
  basket.fixed = 0;
  basket.gain = 0;
  for (const assignment of members[category] ?? []) {
    const flags = course.flags[assignment] ?? 0;
    const cell = student * course.assignments + assignment;
    if ((flags & FLAG.counts) === 0) continue;
    const points = course.points[assignment] ?? 0;
    const gains = (flags & FLAG.bonus) !== 0 || points === 0;
    if (gains && course.kinds[cell] === CELL.missing) continue;
    if (isCompounded(course, cell)) return false;
    const value = countedUnits(course, units, cell, points);
    if (Number.isNaN(value)) continue;
    if (gains) {
      basket.gain += value;
      continue;
    }
    const always = (flags & FLAG.always) === 0 ? 0 : 1;
    basket.values[basket.size] = value;
    basket.points[basket.size] = (points / units.entered) * units.factor;
    basket.always[basket.size] = always;
    basket.fixed += always;
    basket.size += 1;
  }
  flatCategory(rule, basket, units.perPoint, out);
  return out.safe;
}

/**
 * The course total: category percentages weighed by their weights, or by their points where points are added straight.
 * The one division is made in whole numbers of any length.
 */
function totalOf({ course, weights }: Run, totals: FlatTotals, first: number): Exact | null {
  const straight = course.rules.totals === "points";
  const isBegun = weights.some(
    (weight, index) =>
      weight !== null && course.categories[index]?.bonus !== true && (totals.denominators[first + index] ?? 0) !== 0,
  );
  const emptyLeaves = straight || course.rules.emptyCategories === "leftOut" || !isBegun;
  let top = 0n;
  let bottom = 1n;
  let sizes = 0n;
  for (let index = 0; index < weights.length; index += 1) {
    const size = straight ? BigInt(totals.possible[first + index] ?? 0) : weights[index];
    if (size == null) continue;
    const denominator = totals.denominators[first + index] ?? 0;
    const bonus = course.categories[index]?.bonus === true;
    if (denominator === 0 && (emptyLeaves || bonus)) continue;
    if (!bonus) sizes += size;
    if (denominator === 0) continue;
    const divisor = BigInt(denominator);
    top = top * divisor + size * BigInt(totals.numerators[first + index] ?? 0) * bottom;
    bottom *= divisor;
  }
  return sizes <= 0n ? null : capped(course.rules, ratio(top, bottom * sizes));
}

/** A weight in ten-thousandths. */
function weightUnits(weight: Decimal): bigint {
  const { n, d } = fromDecimal(weight);
  return (n * BigInt(TEN_THOUSAND)) / d;
}

/** One student worked out with rationals, by the same functions that the single figures use. */
function theLongWay(course: FlatCourse, totals: FlatTotals, student: number): void {
  totals.longWay.add(student);
  const first = student * course.categories.length;
  const shares = course.categories.map((category, index) => {
    const items = [...course.category.keys()]
      .filter((assignment) => course.category[assignment] === index)
      .map((assignment) => itemAt(course, student, assignment));
    const total: CategoryTotal = categoryTotal(category, items, "now");
    totals.numerators[first + index] = total.percent ? Number(total.percent.n) : 0;
    totals.denominators[first + index] = total.percent ? Number(total.percent.d) : 0;
    return { category: { id: String(index), weight: category.weight, bonus: category.bonus }, total };
  });
  totals.percents[student] = capped(course.rules, termTotal(course.rules, shares).percent);
}

const tenThousandths = (count: number): Exact => ratio(BigInt(count), BigInt(TEN_THOUSAND));

function itemAt(course: FlatCourse, student: number, assignment: number): Item {
  const cell = student * course.assignments + assignment;
  const flags = course.flags[assignment] ?? 0;
  const points = tenThousandths(course.points[assignment] ?? 0);
  const value = exactValue(course, cell, points);
  const kind = course.kinds[cell];
  const base = {
    id: String(assignment),
    points,
    value,
    bonus: (flags & FLAG.bonus) !== 0,
    alwaysCounts: (flags & FLAG.always) !== 0,
  };
  if ((flags & FLAG.counts) === 0) return { ...base, standing: "notCounted" };
  if (kind === CELL.excused) return { ...base, standing: "excused" };
  if (kind === CELL.words) return { ...base, standing: "wordsOnly" };
  if (kind === CELL.missing) return { ...base, standing: "missing" };
  return { ...base, standing: value === null ? "open" : "counts" };
}

function exactValue(course: FlatCourse, cell: number, points: Exact): Exact | null {
  const { lateRule, missingPercent } = course.rules;
  const kind = course.kinds[cell];
  if (kind === CELL.missing) {
    return missingPercent === null ? null : divide(multiply(fromDecimal(missingPercent), points), HUNDRED);
  }
  if (kind !== CELL.score && kind !== CELL.fixed) return null;
  const value = course.fractions.get(cell) ?? tenThousandths(course.values[cell] ?? 0);
  return kind === CELL.score && lateRule ? afterDeduction(lateRule, value, points, course.unitsLate[cell] ?? 0) : value;
}
