import { readFileSync } from "node:fs";
import { applyPatches } from "#core/changes";
import { EMPTY_STATE, type CourseState } from "#core/model";
import { demoDocumentsSchema, demoJournal } from "../../demo";

/** The demo course as it opens. */
export const demoState = (): CourseState =>
  demoJournal(demoDocumentsSchema.parse(JSON.parse(readFileSync("public/demo/documents.json", "utf8")))).reduce(
    (state, { change }) => {
      const next = applyPatches(state, change.patches);
      if (!next.ok) throw new Error(`does not replay: ${change.line}`);
      return next.value;
    },
    EMPTY_STATE,
  );
