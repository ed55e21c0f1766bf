import { expect, it, vi } from "vitest";
import { once } from "./once";

it("a value is made when it is first asked for, and is the same one from then on, also where it is nothing", () => {
  const make = vi.fn(() => ({}));
  const value = once(make);
  expect(make).not.toHaveBeenCalled();
  expect(value()).toBe(value());
  expect(make).toHaveBeenCalledTimes(1);
  const nothing = vi.fn(() => undefined);
  const empty = once(nothing);
  empty();
  empty();
  expect(nothing).toHaveBeenCalledTimes(1);
});
