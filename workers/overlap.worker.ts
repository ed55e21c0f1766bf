import { expose } from "comlink";
import { compareWorks } from "./overlap/compare";
import type { OverlapJobs } from "./protocol";
import { readPdf } from "./text/pdf";

const jobs: OverlapJobs = {
  compare: (works, task, tell) => compareWorks(works, task, readPdf, tell),
};

expose(jobs);
