import { decimal, isDecimal, type Decimal, type StudentId } from "#core/kernel";
import { moderationOf, type CourseState, type SampleWay } from "#core/model";
import type { Looked } from "../rows";
import { z } from "zod/mini";
import { nameText } from "../../../ui/forms/schemas";

export type WayKind = SampleWay["kind"];

const wholeNumber = z.int().check(z.minimum(1));

/** What stands in the form. */
export const wishForm = z.object({
  kind: z.enum(["named", "everyNth", "random", "byLetter", "nearBound", "all"]),
  every: wholeNumber,
  count: wholeNumber,
  seed: wholeNumber,
  each: wholeNumber,
  near: z.custom<Decimal>(),
  markerName: nameText(),
  blind: z.boolean(),
  within: z.custom<Decimal>(),
  named: z.custom<readonly StudentId[]>(),
});

export type Wish = z.output<typeof wishForm>;

export const readWhole = (text: string): number | undefined =>
  /^[1-9]\d{0,3}$/.test(text.trim()) ? Number(text) : undefined;

export function wayOf({ kind, every, count, seed, each, near }: Wish): SampleWay {
  switch (kind) {
    case "everyNth":
      return { kind, every: Math.max(2, Math.min(100, every)) };
    case "random":
      return { kind, count, seed };
    case "byLetter":
      return { kind, each: Math.min(100, each) };
    case "nearBound":
      return { kind, within: near };
    default:
      return { kind };
  }
}

/** What is likely wanted: one paper of four, blind, five of a hundred points apart; or the sample that stands. */
export function firstWish(state: CourseState, { assignment }: Looked): Wish {
  const standing = moderationOf(state, assignment.id);
  const within = String(Math.max(0.5, Math.round(Number(assignment.points) / 10) / 2));
  const plain: Wish = {
    kind: "everyNth",
    every: 4,
    count: 8,
    // Any number does; it is shown and kept, so that the choice can be repeated.
    seed: 1 + ((assignment.name.length * 7919 + assignment.order * 31) % 9_999),
    each: 2,
    near: decimal("1"),
    markerName: "",
    blind: true,
    within: isDecimal(within) ? within : decimal("5"),
    named: [],
  };
  if (!standing) return plain;
  const { way, blind, studentIds } = standing;
  return {
    ...plain,
    ...(way.kind === "nearBound" ? { near: way.within } : way),
    kind: way.kind,
    blind,
    within: standing.within,
    named: studentIds,
    markerName: state.markers[standing.markerId]?.name ?? "",
  };
}
