import { createHash } from "node:crypto";
import fc from "fast-check";
import { expect, it } from "vitest";
import { contentSum, textSum } from "#core/kernel";

// NIST, FIPS 180-4 examples (Cryptographic Standards and Guidelines, SHA-256): the one-block and the two-block message.
it.each([
  ["abc", "ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad"],
  [
    "abcdbcdecdefdefgefghfghighijhijkijkljklmklmnlmnomnopnopq",
    "248d6a61d20638b8e5c026930c3e6039a33ce45964ff2167f6ecedd419db06c1",
  ],
])("the sum of %j is the published one", (text, sum) => {
  expect(textSum(text)).toBe(sum);
});

it("sums of bytes and texts are those of Node's own library", () => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 300 }), fc.string({ unit: "grapheme" }), (bytes, text) => {
      expect(contentSum(bytes)).toBe(createHash("sha256").update(bytes).digest("hex"));
      expect(textSum(text)).toBe(createHash("sha256").update(text, "utf8").digest("hex"));
    }),
  );
});
