import { expose } from "comlink";
import { readPosts, readRubricFile } from "#core/formats";
import type { TableJobs } from "./protocol";

const jobs: TableJobs = {
  posts: (text, students, timeZone) => Promise.resolve(readPosts(text, students, timeZone)),
  rubric: (text) => Promise.resolve(readRubricFile(text, () => crypto.randomUUID())),
  readSheets: async (blob, mediaType) => (await import("./tables/sheets-in")).readSheets(blob, mediaType),
  writeSheets: async (sheets, format) => (await import("./tables/sheets-out")).writeSheets(sheets, format),
};

expose(jobs);
