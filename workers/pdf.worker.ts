import { expose } from "comlink";
import { writePaper } from "./pdf/marked-paper";
import { readMarks } from "./pdf/read-marks";
import type { PdfJobs } from "./protocol";

const jobs: PdfJobs = {
  writePaper,
  readMarks,
  writeRecoverySheet: async (...asked) => (await import("./pdf/recovery-sheet")).writeRecoverySheet(...asked),
  writeCovers: async (...asked) => (await import("./pdf/covers")).writeCovers(...asked),
};

expose(jobs);
