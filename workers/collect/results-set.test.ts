import { strToU8, zipSync } from "fflate";
import { expect, it } from "vitest";
import { planOfSet } from "./results-set";

const USERS = "sourcedId,status,givenName,familyName,identifier\nu1,active,Ada,Amsel,L1\n";
const set = () => zipSync({ "users.csv": strToU8(USERS) }, { level: 0 });

it("reads a roster-and-results set, and none of one that does not give its sum", async () => {
  expect(await planOfSet(new Blob([set()]))).not.toBeNull();
  const torn = set();
  const place = 30 + "users.csv".length + USERS.indexOf("Ada");
  torn[place] = "O".charCodeAt(0);
  expect(await planOfSet(new Blob([torn]))).toBeNull();
});
