import { expect, it } from "vitest";
import type { Instant } from "#core/kernel";
import { assignmentId, fileId, run, smallCourse, studentId } from "#core/testing";
import { filesOut, handInFolder, whichLeft } from "./marked-outside";

const essay = assignmentId("essay");
const file = (name: string) => ({ id: fileId(name), name, mediaType: "application/pdf", size: 10 });
const state = run(
  smallCourse(),
  { type: "editStudent", studentId: studentId("ben"), fields: { familyName: "Bolt/Ø:x" } },
  ...["a.pdf", "b.pdf"].map((name, day) => ({
    type: "addHandIn" as const,
    assignmentId: essay,
    studentId: studentId("ben"),
    at: `2026-10-2${String(day)}T10:00:00Z` as Instant,
    files: [file(name)],
  })),
);
const work = state.assignments[essay] as NonNullable<(typeof state.assignments)[string]>;

it("every student has a folder of number and name, what counts in it, earlier attempts in folders of it", () => {
  expect(filesOut(state, work).map(({ path }) => path)).toEqual([
    "N1 Ada Ames/ada.pdf",
    "N2 Ben Bolt-Ø-x/attempt 1/a.pdf",
    "N2 Ben Bolt-Ø-x/b.pdf",
  ]);
  expect(handInFolder({ number: "", givenName: "Ada", familyName: "" })).toBe("Ada");
});

it("a piece that comes back is known by its folder and name, under whatever it was packed in, and nothing else is", () => {
  const left = whichLeft(state, work);
  const found = (path: string) => left({ path })?.file.id ?? null;
  expect(found("Essay hand-ins.zip/N1 Ada Ames/ada.pdf")).toBe(fileId("ada"));
  expect(found("N2 Ben Bolt-Ø-x/attempt 1/a.pdf")).toBe(fileId("a.pdf"));
  expect(found("downloads/Essay hand-ins/N2 Ben Bolt-Ø-x/b.pdf")).toBe(fileId("b.pdf"));
  expect(found("Ada Ames/ada.pdf")).toBeNull();
  expect(found("ada.pdf")).toBeNull();
  expect(found("N1 Ada Ames/other.pdf")).toBeNull();
});
