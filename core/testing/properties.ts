import fc from "fast-check";
import { runs } from "./runs";

// Setup file of all unit tests. A run is repeatable: the same cases each time, so that a change is judged by what it
// changes. PROPERTY_SEED looks elsewhere, PROPERTY_RUNS at fewer cases (mutation testing).
const { env } = (globalThis as { readonly process?: { readonly env: Readonly<Record<string, string | undefined>> } })
  .process ?? { env: {} };

fc.configureGlobal({ numRuns: runs(100), seed: Number(env["PROPERTY_SEED"] ?? 20_261_123) });
