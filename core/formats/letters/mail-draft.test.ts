import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import type { Instant } from "#core/kernel";
import { reference } from "#core/testing";
import { headerText, isMailAddress, mailDraft, mergeFields, type MailDraft } from "../index";

const folder = mkdtempSync(join(tmpdir(), "mail-"));
afterAll(() => {
  rmSync(folder, { recursive: true, force: true });
});

interface Read {
  readonly to: readonly { readonly name: string; readonly address: string }[];
  readonly subject: string;
  readonly date: string;
  readonly unsent: string;
  readonly body: string;
  readonly attachments: readonly { readonly name: string; readonly type: string; readonly bytes: string }[];
  readonly defects: readonly string[];
  readonly longest: number;
  readonly ascii: boolean;
  readonly bareLines: number;
}

/** A draft as Python's mail parser reads it. */
function read(draft: Partial<MailDraft>): Read {
  const file = join(folder, "draft.eml");
  const text = mailDraft({
    to: { name: "Ada Ames", address: "ada@larkmere.example" },
    subject: "Your work",
    body: "Dear Ada",
    at: "2026-11-23T13:02:05Z" as Instant,
    attachments: [],
    boundary: "part-0",
    ...draft,
  });
  writeFileSync(file, text);
  const script = join(import.meta.dirname, "read-mail.py");
  return JSON.parse(execFileSync("/usr/bin/python3", [script, file], { encoding: "utf8" })) as Read;
}

const LONG =
  "Überraschend gründliche Rückmeldung zu „Fluss und Flut“ – 流量 und Ωmega, ein langer Betreff über mehrere Zeilen";

describe("an e-mail draft, read by Python's mail parser", () => {
  it("has its address, subject, date and words, and opens as a draft", () => {
    expect(read({})).toMatchObject({
      to: [{ name: "Ada Ames", address: "ada@larkmere.example" }],
      subject: "Your work",
      date: "2026-11-23T13:02:05+00:00",
      unsent: "1",
      body: "Dear Ada",
      attachments: [],
      defects: [],
    });
  });

  it.each([
    ["a long subject in many scripts", { subject: LONG }, { subject: LONG }],
    [
      "a name with quotes and a comma",
      { to: { name: 'Ames, "Ada"', address: "a@b.example" } },
      { to: [{ name: 'Ames, "Ada"', address: "a@b.example" }] },
    ],
    [
      "a name beyond ASCII",
      { to: { name: "Åse Ødegård", address: "a@b.example" } },
      { to: [{ name: "Åse Ødegård", address: "a@b.example" }] },
    ],
    ["no address", { to: { name: "Ada", address: "" } }, { to: [] }],
  ])("keeps %s", (_what, draft, expected) => {
    expect(read(draft)).toMatchObject({ ...expected, defects: [], ascii: true });
  });

  it("keeps every line short and seven-bit, whatever is written", () => {
    const body = `${"wort ".repeat(400)}\n\n.\nFrom here: Ελλάδα\n=?UTF-8?B?eA==?=`;
    const found = read({ body, subject: `${LONG} ${LONG}` });
    expect(found.longest).toBeLessThanOrEqual(78);
    expect(found).toMatchObject({ ascii: true, bareLines: 0, defects: [] });
    expect(found.body.replace(/\r\n/g, "\n")).toBe(body);
  });

  it("writes a word beyond ASCII as the reference does (std.eml.rfc5322: RFC 2047, confirmed with Python's parser)", () => {
    const { input, expected } = reference<
      { readonly encodedWords: readonly string[] },
      { readonly decoded: readonly string[] }
    >("std.eml.rfc5322");
    expect(headerText(expected.decoded[1] ?? "")).toBe(input.encodedWords[1]);
    const words = headerText(LONG.repeat(3)).split("\r\n ");
    expect(words.length).toBeGreaterThan(3);
    for (const word of words) expect(word.length).toBeLessThanOrEqual(75);
  });

  it("lets nothing typed into a field become a header", () => {
    const found = read({
      subject: "Hello\r\nBcc: everyone@x.example",
      to: { name: "A\r\nX: y", address: "a@b.example" },
    });
    expect(found.subject).toBe("Hello Bcc: everyone@x.example");
    expect(found.to).toEqual([{ name: "A X: y", address: "a@b.example" }]);
  });

  it("carries files with their names and bytes", () => {
    const bytes = new Uint8Array(Array.from({ length: 5_000 }, (_, index) => index % 256));
    const names = ["L26041.pdf", "Rückmeldung zu „Fluss“ und einer sehr langen Überschrift des Blattes 流量.pdf"];
    const found = read({ attachments: names.map((name) => ({ name, mediaType: "application/pdf", bytes })) });
    expect(found.attachments).toEqual(
      names.map((name) => ({ name, type: "application/pdf", bytes: Buffer.from(bytes).toString("base64") })),
    );
    expect(found).toMatchObject({ body: "Dear Ada", defects: [], ascii: true });
    expect(found.longest).toBeLessThanOrEqual(78);
  });

  it.each([
    ["a@b.example", true],
    ["a b@c.example", false],
    ["nobody", false],
    ["a@b@c", false],
    ["ä@b.example", false],
    ["<a@b.example>", false],
  ])("takes %s as an address: %s", (address, good) => {
    expect(isMailAddress(address)).toBe(good);
  });
});

describe("fields of a letter", () => {
  it("are filled in, and what cannot be stays to be seen", () => {
    expect(
      mergeFields("Dear {given}, {score} of {assignment}; {nothing} {Given}", { given: "Ada", score: "" }),
    ).toEqual({
      text: "Dear Ada, {score} of {assignment}; {nothing} {Given}",
      lacking: ["score", "assignment", "nothing"],
    });
  });

  it("put nothing in that a value itself writes in braces", () => {
    expect(mergeFields("{name}", { name: "{score}", score: "17" }).text).toBe("{score}");
    expect(mergeFields("{constructor} {hasOwnProperty}", {}).text).toBe("{constructor} {hasOwnProperty}");
  });
});
