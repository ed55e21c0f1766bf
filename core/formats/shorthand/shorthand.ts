import { parseDecimal, type Decimal, type ScaleId } from "#core/kernel";
import type { Assignment, DateOrder, DecimalMark } from "#core/model";
import { daysOn, readDate, type LocalMoment } from "./shorthand-date";

/** What a line of shorthand is read against. */
export interface ShorthandSetting {
  /** The local date, `2026-09-01`. */
  readonly today: string;
  readonly scales: readonly { readonly id: ScaleId; readonly name: string }[];
  /** How the course writes decimals: a comma between two digits parts nothing where it is their mark. */
  readonly decimalMark?: DecimalMark;
  readonly dateOrder?: DateOrder;
}

/** An assignment as a line of shorthand describes it. Moments are wall-clock times of the course. */
export interface ShorthandItem {
  readonly name: string;
  readonly shortName: string;
  readonly points: Decimal;
  /** Null: where the screen says. */
  readonly category: string | null;
  /** The weight of that category in percent, `in Papers 45 %`; null where none is named. */
  readonly categoryWeight: Decimal | null;
  readonly givenAt: LocalMoment | null;
  readonly dueAt: LocalMoment | null;
  readonly channel: Assignment["channel"];
  readonly bonus: boolean;
  readonly aboveAllowed: boolean;
  readonly counts: boolean;
  readonly hidden: boolean;
  readonly grouping: Assignment["grouping"];
  readonly attemptsAllowed: number | null;
  readonly scoredIn: Assignment["scoredIn"];
}

/** Why a line is not understood; `line` counts from 1. */
export interface ShorthandIssue {
  readonly line: number;
  readonly code: "no_name" | "no_points" | "part_not_understood" | "range_too_long" | "series_without_start";
  readonly text: string;
}

/** Most assignments that one range makes. */
const MOST = 60;

interface Draft {
  points: Decimal | null;
  category: string | null;
  categoryWeight: Decimal | null;
  due: LocalMoment | null;
  /** A time of day in a part of its own. */
  time: string | null;
  /** Days from one to the next; null where all are due together. */
  every: number | null;
  givenDaysBefore: number | null;
  rest: {
    -readonly [
      K in "aboveAllowed" | "channel" | "bonus" | "counts" | "hidden" | "grouping" | "attemptsAllowed" | "scoredIn"
    ]?: ShorthandItem[K];
  };
}

type Rule = readonly [
  pattern: RegExp,
  take: (match: RegExpExecArray, draft: Draft, setting: ShorthandSetting) => boolean,
];

const set = (rest: Draft["rest"]) => (_: RegExpExecArray, draft: Draft) => {
  Object.assign(draft.rest, rest);
  return true;
};
const due: Rule[1] = (match, draft, { today, dateOrder }) => {
  const read = readDate(match[1] ?? "", today, dateOrder);
  draft.due = read ?? draft.due;
  return read !== null;
};
const series =
  (days: (match: RegExpExecArray) => number): Rule[1] =>
  (match, draft, { today, dateOrder }) => {
    draft.every = days(match);
    draft.due = readDate(match.groups?.from ?? "", today, dateOrder);
    return draft.due !== null;
  };

/** The parts of a line behind its name, in the order they are tried. */
const RULES: readonly Rule[] = [
  [/^on paper$/i, set({ channel: "paper" })],
  [
    /^as (?:a )?(file|text|link|discussion|answers)s?$/i,
    (match, draft) => {
      draft.rest.channel = (match[1] ?? "file").toLowerCase() as ShorthandItem["channel"];
      return true;
    },
  ],
  [/^nothing handed in$/i, set({ channel: "nothing" })],
  [/^bonus$/i, set({ bonus: true })],
  [/^(?:in )?groups$/i, set({ grouping: "groups" })],
  [/^above the maximum$/i, set({ aboveAllowed: true })],
  [/^hidden$/i, set({ hidden: true })],
  [/^not counted$/i, set({ counts: false })],
  [/^(?:in )?percent$/i, set({ scoredIn: { kind: "percent" } })],
  [
    /^(\d{1,2}) attempts?$/i,
    (match, draft) => {
      draft.rest.attemptsAllowed = Math.max(1, Number(match[1]));
      return true;
    },
  ],
  [
    /^(?:of )?([\d.,]+) ?(?:points?|pts?|p)?$/i,
    (match, draft) => {
      const points = parseDecimal(match[1] ?? "");
      if (points.ok) draft.points = points.value;
      return points.ok;
    },
  ],
  [
    /^given (\d{1,3}) days? before$/i,
    (match, draft) => {
      draft.givenDaysBefore = Number(match[1]);
      return true;
    },
  ],
  [
    /^(?:at )?(\d{1,2}):(\d\d)$/i,
    (match, draft) => {
      draft.time = `${(match[1] ?? "").padStart(2, "0")}:${match[2] ?? "00"}`;
      return Number(match[1]) < 24 && Number(match[2]) < 60;
    },
  ],
  [/^daily from (?<from>.+)$/i, series(() => 1)],
  [/^weekly(?: from)? (?<from>.+)$/i, series(() => 7)],
  [
    /^every (\d{1,2}) (day|week)s? from (?<from>.+)$/i,
    series((match) => Number(match[1]) * (match[2]?.toLowerCase() === "week" ? 7 : 1)),
  ],
  [/^(?:due )?(.+)$/i, due],
  [
    /^in (.+?)(?:\s+([\d.,]+)\s?(?:%|percent))?$/i,
    (match, draft) => {
      const weight = match[2] === undefined ? null : parseDecimal(match[2]);
      draft.category = match[1] ?? null;
      draft.categoryWeight = weight?.ok ? weight.value : null;
      return weight === null || weight.ok;
    },
  ],
  [
    /^(.+)$/,
    (match, draft, { scales }) => {
      const scale = scales.find(({ name }) => name.toLowerCase() === (match[1] ?? "").toLowerCase());
      if (scale) draft.rest.scoredIn = { kind: "scale", scaleId: scale.id };
      return scale !== undefined;
    },
  ],
];

/**
 * Reads shorthand for assignments, one line each: `Field sheet 1-6, 12 points, weekly from 14 Sep, in Field work`. The
 * name comes first, the other parts in any order. Lines that are not understood come back as issues; the others stand.
 */
export function readShorthand(
  text: string,
  setting: ShorthandSetting,
): { items: ShorthandItem[]; issues: ShorthandIssue[] } {
  const items: ShorthandItem[] = [];
  const issues: ShorthandIssue[] = [];
  text.split(/\r?\n/).forEach((raw, index) => {
    if (raw.trim() === "") return;
    const read = readLine(raw, setting);
    if (Array.isArray(read)) items.push(...read);
    else issues.push({ line: index + 1, ...read });
  });
  return { items, issues };
}

/** Where decimals stand behind a comma, one between two digits parts nothing. */
const PARTS_BESIDE_DECIMALS = /;|,(?!\d)|(?<!\d),/;

function readLine(raw: string, setting: ShorthandSetting): ShorthandItem[] | Omit<ShorthandIssue, "line"> {
  const [head = "", ...parts] = raw
    .split(setting.decimalMark === "comma" ? PARTS_BESIDE_DECIMALS : /[,;]/)
    .map((part) => part.trim());
  const names = namesOf(head);
  if (names === null) return { code: "range_too_long", text: head };
  if (names.length === 0) return { code: "no_name", text: raw.trim() };
  const draft: Draft = {
    points: null,
    category: null,
    categoryWeight: null,
    due: null,
    time: null,
    every: null,
    givenDaysBefore: null,
    rest: {},
  };
  for (const part of parts) {
    if (part === "") continue;
    if (/^weekly$|^daily$|^every \d+ (day|week)s?$/i.test(part)) return { code: "series_without_start", text: part };
    const taken = RULES.some(([pattern, take]) => {
      const match = pattern.exec(part);
      return match !== null && take(match, draft, setting);
    });
    if (!taken) return { code: "part_not_understood", text: part };
  }
  const { points, category, categoryWeight, every, givenDaysBefore, rest } = draft;
  const first = draft.due && draft.time ? `${draft.due.slice(0, 11)}${draft.time}` : draft.due;
  if (points === null) return { code: "no_points", text: head };
  return names.map((name, index) => {
    const dueAt = first && every ? daysOn(first, every * index) : first;
    return {
      name,
      shortName: shortNameOf(name),
      points,
      category,
      categoryWeight,
      dueAt,
      givenAt: dueAt && givenDaysBefore !== null ? daysOn(dueAt, -givenDaysBefore) : null,
      channel: "file",
      bonus: false,
      aboveAllowed: false,
      counts: true,
      hidden: false,
      showsRubric: false,
      grouping: "alone",
      attemptsAllowed: null,
      scoredIn: { kind: "points" },
      ...rest,
    };
  });
}

/** `Sheet 1-3` -> Sheet 1, Sheet 2, Sheet 3; `Case A-C` likewise; null when the range is too long. */
function namesOf(head: string): string[] | null {
  const numbers = /^(.+?)\s+(\d{1,3})\s?[-–]\s?(\d{1,3})$/.exec(head);
  const letters = /^(.+?)\s+([A-Z])\s?[-–]\s?([A-Z])$/.exec(head);
  const range = numbers ?? letters;
  if (!range) return head === "" ? [] : [head];
  const code = (text: string | undefined) => (numbers ? Number(text) : (text ?? "A").charCodeAt(0));
  const [from, to] = [code(range[2]), code(range[3])];
  if (to < from) return [head];
  if (to - from >= MOST) return null;
  const label = (at: number) => (numbers ? String(at) : String.fromCharCode(at));
  return Array.from({ length: to - from + 1 }, (_, index) => `${range[1] ?? ""} ${label(from + index)}`);
}

/** Longest short name, in characters: what a column of the gradebook shows whole. */
const SHORT = 14;

/** A short name proposed from a name: the name itself, its last word with its number, or its first words. */
export function shortNameOf(name: string): string {
  if (name.length <= SHORT) return name;
  const words = name.split(/\s+/);
  const last = words.at(-1) ?? "";
  if (/^(\d+|[A-Z])$/.test(last) && words.length > 1) {
    const label = `${words.at(-2) ?? ""} ${last}`;
    return capital(label.length <= SHORT ? label : `${label.slice(0, SHORT - last.length - 2)}. ${last}`);
  }
  const short = words.reduce(
    (line, word) => (line === "" || `${line} ${word}`.length <= SHORT ? `${line} ${word}`.trim() : line),
    "",
  );
  return short.length <= SHORT ? short : `${short.slice(0, SHORT - 1)}.`;
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
