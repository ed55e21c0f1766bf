import { argon2id } from "@noble/hashes/argon2.js";
import { describe, expect, it } from "vitest";
import { LEAST, measuredCost, passesFor, stretched } from "./stretch";

describe("keys of passphrases", () => {
  it("are Argon2id as an independent library works it out", async () => {
    const salt = Uint8Array.from({ length: 16 }, (_, place) => place * 7);
    for (const [passphrase, cost] of [
      ["seven wet herons", { memory: 64, passes: 3 }],
      ["Größe", { memory: 256, passes: 1 }],
      ["x", { memory: 8, passes: 5 }],
    ] as const) {
      const other = argon2id(passphrase, salt, { m: cost.memory, t: cost.passes, p: 1, dkLen: 32 });
      expect(await stretched(passphrase, salt, cost)).toEqual(other);
    }
  });

  it("cost never less than RFC 9106 recommends, and more passes on a faster machine", async () => {
    expect([passesFor(5_000), passesFor(700), passesFor(100), passesFor(0)]).toEqual([3, 3, 21, 24]);
    expect(passesFor(200)).toBeGreaterThan(passesFor(350));
    const cost = await measuredCost();
    expect(cost.memory).toBe(LEAST.memory);
    expect(cost.passes).toBeGreaterThanOrEqual(LEAST.passes);
  });
});
