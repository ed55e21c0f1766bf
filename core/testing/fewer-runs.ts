import fc from "fast-check";
import { runs } from "./runs";

// Setup file of the mutation tests: properties that ask for no number of cases get fewer, too.
fc.configureGlobal({ numRuns: runs(100) });
