import { expose } from "comlink";
import { measuredCost, stretched } from "./lock/stretch";
import type { LockJobs } from "./protocol";

const jobs: LockJobs = { measure: measuredCost, stretch: stretched };

expose(jobs);
