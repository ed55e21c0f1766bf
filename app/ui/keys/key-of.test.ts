import { describe, expect, it } from "vitest";
import { KEY_LIST, type KeyScope } from "./key-list";
import { keyCap, keyOf, type Press } from "./key-of";

const press = (key: string, more: Partial<Press> = {}): Press => ({
  key,
  code: "",
  ctrlKey: false,
  metaKey: false,
  altKey: false,
  shiftKey: false,
  ...more,
});
const SCOPES = Object.keys(KEY_LIST) as KeyScope[];

describe("the keys of a part", () => {
  it.each<[string, KeyScope, Press, string | null]>([
    ["a letter as it is printed, with or without Shift", "judging", press("M", { shiftKey: true }), "missing"],
    ["a digit by its place", "judging", press("&", { code: "Digit1" }), "level"],
    ["a digit of the number pad", "sweep", press("3", { code: "Numpad3" }), "level"],
    [
      "Shift and a digit, where they mean something of their own",
      "judging",
      press("!", { code: "Digit1", shiftKey: true }),
      "levelAndStay",
    ],
    ["Shift and a digit, where they do not", "sweep", press("!", { code: "Digit1", shiftKey: true }), "level"],
    ["no 0 where levels are counted from 1", "judging", press("0", { code: "Digit0" }), null],
    ["0 where points are given", "answers", press("0", { code: "Digit0" }), "points"],
    ["the command key as Ctrl", "everywhere", press("k", { metaKey: true }), "find"],
    ["no letter while Ctrl is held", "judging", press("m", { ctrlKey: true }), null],
    ["Ctrl Z", "everywhere", press("z", { ctrlKey: true }), "undo"],
    ["Ctrl Shift Z", "everywhere", press("Z", { ctrlKey: true, shiftKey: true }), "redo"],
    ["? that needs Shift", "everywhere", press("?", { shiftKey: true }), "sheet"],
    [
      "[ that needs the right Alt key",
      "sweep",
      press("[", { ctrlKey: true, altKey: true, getModifierState: (key) => key === "AltGraph" }),
      "criterionBefore",
    ],
    ["Space", "gradebook", press(" "), "story"],
    ["Shift Space", "gradebook", press(" ", { shiftKey: true }), "totalStory"],
    ["Alt Enter", "gradebook", press("Enter", { altKey: true }), "comment"],
    ["Ctrl and an arrow", "gradebook", press("ArrowDown", { ctrlKey: true }), "lastRow"],
    ["+", "work", press("+"), "larger"],
    ["nothing of theirs", "sweep", press("z"), null],
  ])("hear %s", (_, scope, pressed, name) => {
    expect(keyOf(scope, pressed)?.name ?? null).toBe(name);
  });

  it("hand on which digit it was", () => {
    expect(keyOf("answers", press("7", { code: "Numpad7" }))).toEqual({ name: "points", digit: 7 });
  });

  it.each(SCOPES)("stand for one thing each: %s", (scope) => {
    const written = KEY_LIST[scope].rows.flatMap(({ keys }) =>
      Object.values<string | readonly string[]>(keys).flatMap((one) => [one].flat()),
    );
    expect(new Set(written).size).toBe(written.length);
  });

  it.each(SCOPES)("say on the sheet every letter that is heard: %s", (scope) => {
    for (const { shown, does, keys } of KEY_LIST[scope].rows) {
      for (const name of Object.keys(keys)) {
        const cap = keyCap(scope, name as never);
        if (/^[A-Z]$/.test(cap)) expect(`${shown} ${does}`, name).toMatch(new RegExp(`\\b${cap}\\b`));
      }
    }
  });

  it("are written on controls as they are pressed", () => {
    expect([keyCap("work", "strikeout"), keyCap("work", "pin")]).toEqual(["S", "Enter"]);
  });
});
