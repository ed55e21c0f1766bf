import { KEY_LIST, type KeyName, type KeyScope } from "./key-list";

/** A press as it is heard, from the page or from an element. */
export type Press = Pick<KeyboardEvent, "key" | "code" | "ctrlKey" | "metaKey" | "altKey" | "shiftKey"> &
  Partial<Pick<KeyboardEvent, "getModifierState">>;

/** The key of a part that was pressed, and the digit where it stands for several. */
export interface Pressed<S extends KeyScope> {
  readonly name: KeyName<S>;
  readonly digit: number;
}

interface Combination {
  readonly name: string;
  readonly ctrl: boolean;
  readonly alt: boolean;
  readonly shift: boolean;
  /** A named key, a character in lower case, or the least digit of several. */
  readonly key: string;
  readonly leastDigit: number | null;
}

function readCombination(name: string, written: string): Combination {
  const held = /^(?:(?:Ctrl|Alt|Shift)\+)*/.exec(written)?.[0] ?? "";
  const key = written.slice(held.length);
  const digits = /^(\d)-9$/.exec(key)?.[1];
  return {
    name,
    ctrl: held.includes("Ctrl"),
    alt: held.includes("Alt"),
    shift: held.includes("Shift"),
    key: key === "Space" ? " " : key,
    leastDigit: digits === undefined ? null : Number(digits),
  };
}

const combinationsOf = (scope: KeyScope): readonly Combination[] =>
  KEY_LIST[scope].rows.flatMap(({ keys }) =>
    Object.entries<string | readonly string[]>(keys).flatMap(([name, written]) =>
      [written].flat().map((one) => readCombination(name, one)),
    ),
  );

const COMBINATIONS = Object.fromEntries(
  Object.keys(KEY_LIST).map((scope) => [scope, combinationsOf(scope as KeyScope)]),
) as Readonly<Record<KeyScope, readonly Combination[]>>;

function isHeard({ ctrl, alt, key, leastDigit }: Combination, press: Press): boolean {
  // The right Alt key is how many keyboards reach a bracket or a slash; it stands for Ctrl and Alt and means neither.
  const third = press.key.length === 1 && press.getModifierState?.("AltGraph") === true;
  if (!third && (ctrl !== (press.ctrlKey || press.metaKey) || alt !== press.altKey)) return false;
  if (third && (ctrl || alt)) return false;
  if (leastDigit !== null) return digitOf(press) >= leastDigit;
  return (press.key.length === 1 ? press.key.toLowerCase() : press.key) === key;
}

const digitOf = ({ code }: Press): number => Number(/^(?:Digit|Numpad)(\d)$/.exec(code)?.[1] ?? -1);

/**
 * Which key of a part was pressed; null for none of them. Where two differ by Shift alone, Shift decides; else it does not
 * matter, because on some keyboards it is needed to reach a character.
 */
export function keyOf<S extends KeyScope>(scope: S, press: Press): Pressed<S> | null {
  const heard = COMBINATIONS[scope].filter((one) => isHeard(one, press));
  const found = heard.find(({ shift }) => shift === press.shiftKey) ?? heard.find(({ shift }) => !shift);
  return found ? { name: found.name as KeyName<S>, digit: digitOf(press) } : null;
}

/** A key as it is written on a control: `N`, `Enter`. */
export function keyCap<S extends KeyScope>(scope: S, name: KeyName<S>): string {
  const key = COMBINATIONS[scope].find((one) => one.name === name)?.key ?? "";
  return key.length === 1 ? key.toUpperCase() : key;
}
