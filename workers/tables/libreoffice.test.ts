import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, expect, it } from "vitest";
import type { Sheet } from "#core/formats";
import { readSheets } from "./sheets-in";
import { writeSheets, type SheetFormat } from "./sheets-out";

// LibreOffice 7.4 of Debian 12, without a screen: an independent reader and writer of both formats.

const folder = mkdtempSync(join(tmpdir(), "quill-office-"));
afterAll(() => {
  rmSync(folder, { recursive: true });
});

const TYPES = {
  xlsx: "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
  ods: "application/vnd.oasis.opendocument.spreadsheet",
  csv: "text/csv",
} as const;

const SCORES: Sheet = {
  name: "Scores",
  rows: [
    ["Student number", "Name", "Essay (of 100)", "Essay comment"],
    ["L26041", "Zoë Ångström", 17.5, 'Good; but "short"'],
    ["007", "=1+1", 100, "+3 for the map"],
    ["L26055", "Łukasz, van der Meer", -3.25, "missing"],
  ],
};

/** Has LibreOffice open files and save them in another format; answers their new paths. */
function converted(paths: readonly string[], to: SheetFormat): string[] {
  const out = mkdtempSync(join(folder, `${to}-`));
  execFileSync(
    "soffice",
    [
      "--headless",
      `-env:UserInstallation=file://${join(folder, "profile")}`,
      "--convert-to",
      to === "csv" ? "csv:Text - txt - csv (StarCalc):44,34,76" : to,
      "--outdir",
      out,
      ...paths,
    ],
    { stdio: "pipe" },
  );
  return paths.map((path) => join(out, (path.split("/").at(-1) ?? "").replace(/\.\w+$/, `.${to}`)));
}

const written = {} as Record<"xlsx" | "ods", string>;
beforeAll(async () => {
  for (const format of ["xlsx", "ods"] as const) {
    written[format] = join(folder, `from-${format}.${format}`);
    writeFileSync(written[format], Buffer.from(await (await writeSheets([SCORES], format, "point")).arrayBuffer()));
  }
});

const cellsAt = async (path: string, format: SheetFormat) =>
  (await readSheets(new Blob([readFileSync(path)]), TYPES[format]))[0]?.rows;

it("opens what is written here with the very same cells, and no formula runs", async () => {
  const texts = SCORES.rows.map((row) => row.map(String));
  for (const path of converted([written.xlsx, written.ods], "csv")) {
    expect(await cellsAt(path, "csv"), path).toEqual(texts);
  }
}, 120_000);

it("saves files that come back in here with the very same cells, figures as figures", async () => {
  const [ods = ""] = converted([written.xlsx], "ods");
  const [xlsx = ""] = converted([written.ods], "xlsx");
  expect(await cellsAt(ods, "ods")).toEqual(SCORES.rows);
  expect(await cellsAt(xlsx, "xlsx")).toEqual(SCORES.rows);
}, 120_000);
