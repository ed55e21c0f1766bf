import { expose } from "comlink";
import { makeCopy, packFiles } from "./copies/make-copy";
import type { CopyJobs } from "./protocol";

const jobs: CopyJobs = { make: makeCopy, pack: (files) => Promise.resolve(packFiles(files)) };

expose(jobs);
