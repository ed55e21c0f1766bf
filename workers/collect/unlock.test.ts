import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, expect, it } from "vitest";
import { makePdf } from "../../e2e/make-pdf";
import { unlockPdf } from "./unlock";

const folder = mkdtempSync(join(tmpdir(), "quill-unlock-"));
afterAll(() => {
  rmSync(folder, { recursive: true });
});

it("opens a PDF with its password, so that poppler reads it without one, and refuses another", async () => {
  const locked = new Blob([new Uint8Array(await makePdf({ pages: 2, password: "weir" }))]);
  expect(await unlockPdf(locked, "wear")).toBeNull();
  expect(await unlockPdf(locked, "")).toBeNull();
  const open = await unlockPdf(locked, "weir");
  const path = join(folder, "open.pdf");
  writeFileSync(path, Buffer.from(await (open ?? new Blob()).arrayBuffer()));
  expect(execFileSync("pdftotext", [path, "-"], { encoding: "utf8" })).toContain("This is page 2 of a long report");
  await expect(unlockPdf(new Blob(["no PDF"]), "weir")).rejects.toThrow();
});
