import type { Command } from "#core/changes";
import { decimal, type Id } from "#core/kernel";
import { COURSE_DEFAULTS, type Course } from "#core/model";

/** The marker of the demo course. */
export const MARKER = "marker:halden" as Id<"marker">;

/** Settings that a new course starts with; the demo course uses them too. */
export function startCommand(
  course: Pick<Course, "id" | "title" | "shortTitle" | "institution" | "origin" | "createdAt" | "timeZone">,
  markerName: string,
  sections: readonly string[],
): Extract<Command, { type: "startCourse" }> {
  const bands = [
    ["A", "90"],
    ["B", "80"],
    ["C", "70"],
    ["D", "60"],
    ["E", "0"],
  ] as const;
  return {
    type: "startCourse",
    markerName,
    sections: [...sections],
    course: {
      ...course,
      markerId: MARKER,
      totals: "weighted",
      lateRule: {
        ratePercent: decimal("5"),
        unit: "hours",
        unitHours: 24,
        base: "maximum",
        capPercent: null,
        floorPercent: null,
        graceMinutes: 15,
        graceKind: "threshold",
      },
      missingPercent: decimal("0"),
      letters: bands.map(([letter, from]) => ({ letter, from: decimal(from) })),
      passMark: decimal("60"),
      percentPlaces: 1,
      ...COURSE_DEFAULTS,
    },
  };
}
