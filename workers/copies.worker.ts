import { expose } from "comlink";
import { makeCopy, mailFiles, packFiles } from "./copies/make-copy";
import { writeReport } from "./copies/report-pdf";
import type { CopyJobs } from "./protocol";

const jobs: CopyJobs = {
  make: makeCopy,
  report: writeReport,
  mail: (drafts) => Promise.resolve(mailFiles(drafts)),
  pack: (files) => Promise.resolve(packFiles(files)),
};

expose(jobs);
