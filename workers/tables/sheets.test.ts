import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { afterAll, describe, expect, it } from "vitest";
import type { Sheet } from "#core/formats";
import { readSheets } from "./sheets-in";
import { writeSheets, type SheetFormat } from "./sheets-out";

const folder = mkdtempSync(join(tmpdir(), "quill-sheets-"));
afterAll(() => {
  rmSync(folder, { recursive: true });
});

const SCORES: Sheet = {
  name: "Scores",
  rows: [
    ["Student number", "Name", "Essay (of 100)"],
    ["L26041", "Zoë Ångström", 17.5],
    ["007", "=1+1", null],
    ["L26055", 'Quote "a", b;c\nnext', -3],
  ],
};
const LEFT: Sheet = {
  name: "As it left",
  rows: [
    ["assignment", "student", "entry"],
    ["a", "b", "17.5"],
  ],
};

const TYPES = {
  xlsx: "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
  ods: "application/vnd.oasis.opendocument.spreadsheet",
  csv: "text/csv",
} as const;

/** Rows without what stands empty at their ends. */
const cut = ({ rows }: Sheet) =>
  rows.map((row) => {
    const end = row.findLastIndex((cell) => cell !== null && cell !== "");
    return row.slice(0, end + 1);
  });

/** The cells of a sheet's content as Python's own XML reader sees them. */
const PYTHON = `
import sys, zipfile, xml.etree.ElementTree as E
z = zipfile.ZipFile(sys.argv[1])
names = z.namelist()
if "content.xml" in names:
    text = E.tostring(E.fromstring(z.read("content.xml")), encoding="unicode")
    print("formula" in text, "17.5" in text)
else:
    page = z.read("xl/worksheets/sheet1.xml").decode()
    print("<f>" in page or "<f " in page, "17.5" in page, 'state="frozen"' in page)
`;

describe("a spreadsheet", () => {
  it.each(["xlsx", "ods"] as const)("written as %s comes back with the same cells on both sheets", async (format) => {
    const blob = await writeSheets([SCORES, LEFT], format, "point");
    const back = await readSheets(blob, TYPES[format]);
    expect(back.map(({ name }) => name)).toEqual(["Scores", "As it left"]);
    expect(back.map(cut)).toEqual([SCORES, LEFT].map(cut));
  });

  it("written as CSV is guarded against formulas, and comes back as text", async () => {
    const blob = await writeSheets([SCORES, LEFT], "csv", "point");
    expect(await blob.text()).toContain("'=1+1");
    const [back] = await readSheets(blob, TYPES.csv);
    expect(back?.rows[1]).toEqual(["L26041", "Zoë Ångström", "17.5"]);
    expect(back?.rows[3]?.[1]).toBe('Quote "a", b;c\nnext');
  });

  it.each<[SheetFormat, string]>([
    ["xlsx", "False True True"],
    ["ods", "False True"],
  ])(
    "%s holds no formula, figures as figures, and in .xlsx a frozen head (read by Python's zipfile and XML reader)",
    async (format, told) => {
      const path = join(folder, `scores.${format}`);
      writeFileSync(path, Buffer.from(await (await writeSheets([SCORES], format, "point")).arrayBuffer()));
      expect(execFileSync("/usr/bin/python3", ["-c", PYTHON, path], { encoding: "utf8" }).trim()).toBe(told);
    },
  );

  it.each([
    ["semicolons and decimal commas", "Nr;Name;Punkte\r\n1;Ada;17,5\r\n2;Ben;9,25\r\n"],
    ["tabs", "Nr\tName\tPunkte\n1\tAda\t17,5\n2\tBen\t9,25\n"],
    ["a line that names the mark", "sep=;\nNr;Name;Punkte\n1;Ada;17,5\n2;Ben;9,25"],
  ])("with %s is read by its columns", async (_, text) => {
    const [sheet] = await readSheets(new Blob([text]), "text/csv");
    expect(sheet?.rows).toEqual([
      ["Nr", "Name", "Punkte"],
      ["1", "Ada", "17,5"],
      ["2", "Ben", "9,25"],
    ]);
  });

  it("in an older encoding is read with every letter", async () => {
    const bytes = new Uint8Array([0x4d, 0xfc, 0x6c, 0x6c, 0x65, 0x72, 0x2c, 0x31]);
    expect((await readSheets(new Blob([bytes]), "text/csv"))[0]?.rows).toEqual([["Müller", "1"]]);
  });

  it("that is damaged is refused", async () => {
    const bytes = await (await writeSheets([SCORES], "xlsx", "point")).arrayBuffer();
    await expect(readSheets(new Blob([bytes.slice(0, 300)]), TYPES.xlsx)).rejects.toThrow();
  });
});

it("says of an OpenDocument sheet that is damaged inside that it cannot be read, as an error", async () => {
  const blob = await writeSheets([{ name: "Scores", rows: [["Number"], [17.5]] }], "ods", "point");
  const parts = unzipSync(new Uint8Array(await blob.arrayBuffer()));
  const content = strFromU8(parts["content.xml"] ?? new Uint8Array());
  for (const cut of [content.lastIndexOf("</"), content.indexOf("</table:table>")]) {
    const damaged = zipSync({ ...parts, "content.xml": strToU8(`${content.slice(0, cut)}</office:meta>`) });
    await expect(readSheets(new Blob([damaged]), "application/vnd.oasis.opendocument.spreadsheet")).rejects.toThrow(
      Error,
    );
  }
});
