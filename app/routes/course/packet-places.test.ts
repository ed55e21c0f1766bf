import { expect, it } from "vitest";
import { packetDetour } from "./packet-places";

it("leaves a packet at its desk, its sweep, its pile, its journal, its lock and giving back, and leads there from everywhere else", () => {
  const at = (path: string) => packetDetour("packet-x", `/courses/packet-x${path}`);
  for (const path of ["/score/essay/ada", "/sweep/essay", "/pile/essay", "/journal", "/lock", "/give-back"]) {
    expect(at(path)).toBeNull();
  }
  for (const path of ["", "/plan", "/release", "/gradebook", "/students/ada", "/files", "/check"]) {
    expect(at(path)).toBe("/courses/packet-x/score");
  }
});
