import { compare, roundToText, type Exact } from "#core/kernel";
import type { Leak, Through } from "#core/release";
import { counted } from "#core/words";
import { inMark } from "../../ui/words/figures";

/** A figure with as many decimals as tell it apart, at most two. */
const figure = (value: Exact): string => inMark(roundToText(value, value.d === 1n ? 0 : 2).replace(/(\.\d)0$/, "$1"));

/** `31.5 to 32.4 of 50`, or the one score that is possible. */
export function leakInterval({ interval, maximum, scoresLeft: possible, score }: Leak): string {
  const of = ` of ${figure(maximum)}`;
  if (possible <= 1) return `exactly ${figure(score)}${of}`;
  if (compare(interval.low, interval.high) === 0) return `exactly ${figure(interval.low)}${of}`;
  return `${figure(interval.low)} to ${figure(interval.high)}${of}`;
}

const shownWords = ({ text, shows, totalId }: Through, nameOf: (id: string) => string): string =>
  `${inMark(text)}${shows === "percent" ? " %" : ""} ${totalId === "course" ? "of the course" : `of ${nameOf(totalId)}`}`;

/** How a sealed score follows: `From 78.0 % of Field work and 4 known scores follows 31.5 to 32.4 of 50.` */
export function leakWorking(leak: Leak, nameOf: (id: string) => string): string {
  if (leak.from === "rubric") return `The rubric detail adds up to ${leakInterval(leak)}.`;
  const totals = [...new Set(leak.through.map((one) => shownWords(one, nameOf)))];
  const known = leak.through.reduce((most, one) => Math.max(most, one.known), 0);
  const sealed = leak.through.reduce((least, one) => Math.min(least, one.sealed), Infinity);
  const from = [...totals, ...(known > 0 ? [counted(known, "known score")] : [])];
  const last = from.pop() ?? "";
  const others =
    sealed > 1 && sealed < Infinity
      ? `, whatever ${sealed === 2 ? "the other sealed one is" : `the ${String(sealed - 1)} other sealed ones are`}`
      : "";
  return `From ${from.length > 0 ? `${from.join(", ")} and ${last}` : last} follows ${leakInterval(leak)}${others}.`;
}
