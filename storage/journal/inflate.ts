/** Fetched where a course has entries in blocks, so that the first screen of others does not wait for it. */
export { inflateSync } from "fflate";
