import { expose } from "comlink";
import { readPosts, readRubricFile } from "#core/formats";
import type { TableJobs } from "./protocol";

const jobs: TableJobs = {
  posts: (text, students, timeZone) => Promise.resolve(readPosts(text, students, timeZone)),
  rubric: (text) => Promise.resolve(readRubricFile(text, () => crypto.randomUUID())),
  readSheets: async (blob, mediaType) => (await import("./tables/sheets-in")).readSheets(blob, mediaType),
  planOfSet: async (archive) => (await import("./collect/results-set")).planOfSet(archive),
  writeSheets: async (sheets, format, mark) => (await import("./tables/sheets-out")).writeSheets(sheets, format, mark),
};

expose(jobs);
