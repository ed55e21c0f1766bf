import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import { pictureSize, withoutMetadata } from "../index";

const folder = mkdtempSync(join(tmpdir(), "pictures-"));
afterAll(() => {
  rmSync(folder, { recursive: true });
});

/** A JPEG of poppler's making, into which exiftool (an independent program) writes what cameras write. */
function photograph(...tags: readonly string[]): Uint8Array {
  const pdf = join(folder, "page.pdf");
  const page =
    "%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj\n2 0 obj<</Type/Pages/Kids[3 0 R]/Count 1>>endobj\n3 0 obj<</Type/Page/Parent 2 0 R/MediaBox[0 0 120 90]>>endobj\ntrailer<</Root 1 0 R>>\n";
  writeFileSync(pdf, page);
  execFileSync("pdftoppm", ["-jpeg", "-r", "72", "-singlefile", pdf, join(folder, "photo")]);
  const file = join(folder, "photo.jpg");
  execFileSync("exiftool", ["-q", "-overwrite_original", ...tags, file]);
  return readFileSync(file);
}

/** Every tag that exiftool finds, by its name. */
function tagsOf(bytes: Uint8Array, name: string): Record<string, unknown> {
  const file = join(folder, name);
  writeFileSync(file, bytes);
  const [tags] = JSON.parse(execFileSync("exiftool", ["-json", "-n", file], { encoding: "utf8" })) as [
    Record<string, unknown>,
  ];
  return tags;
}

const CAMERA = [
  "-GPSLatitude=47.5",
  "-GPSLatitudeRef=N",
  "-GPSLongitude=9.7",
  "-GPSLongitudeRef=E",
  "-Make=Acme",
  "-Artist=Somebody",
  "-DateTimeOriginal=2026:10:12 09:30:00",
  "-SerialNumber=42",
  "-XMP:Creator=Somebody",
  "-IPTC:By-line=Somebody",
  "-Comment=at home",
];

describe("what a picture tells beside itself, read by exiftool", () => {
  it("is there before and gone after: place, time, camera, names; its size and its turn stay", () => {
    const photo = photograph(...CAMERA, "-Orientation#=6");
    expect(tagsOf(photo, "before.jpg")).toMatchObject({ GPSLatitude: 47.5, Make: "Acme", Artist: "Somebody" });
    const clean = tagsOf(withoutMetadata(photo), "after.jpg");
    expect(clean).toMatchObject({ Orientation: 6, ImageWidth: 120, ImageHeight: 90, FileType: "JPEG" });
    expect(JSON.stringify(clean)).not.toMatch(/GPS|Acme|Somebody|Serial|DateTimeOriginal|at home|Creator|By-line/);
  });

  it("leaves the picture's own data as it was, byte for byte", () => {
    const photo = photograph(...CAMERA);
    const plain = photograph("-all=");
    const scan = (bytes: Uint8Array) =>
      Buffer.from(bytes).subarray(Buffer.from(bytes).indexOf(Buffer.from([0xff, 0xda])));
    expect(scan(withoutMetadata(photo)).equals(scan(plain))).toBe(true);
  });

  it("goes from a PNG as well", () => {
    const pdf = join(folder, "page.pdf");
    photograph();
    execFileSync("pdftoppm", ["-png", "-r", "72", "-singlefile", pdf, join(folder, "drawn")]);
    execFileSync("exiftool", [
      "-q",
      "-overwrite_original",
      "-PNG:Author=Somebody",
      "-XMP:Creator=Somebody",
      join(folder, "drawn.png"),
    ]);
    const drawn = readFileSync(join(folder, "drawn.png"));
    expect(JSON.stringify(tagsOf(drawn, "b.png"))).toContain("Somebody");
    expect(JSON.stringify(tagsOf(withoutMetadata(drawn), "a.png"))).not.toContain("Somebody");
    expect(pictureSize(withoutMetadata(drawn))).toEqual({ width: 120, height: 90 });
  });

  it("other bytes come back as they are, and so does a picture that was cut short", () => {
    const text = new TextEncoder().encode("no picture");
    expect(withoutMetadata(text)).toBe(text);
    const cut = photograph(...CAMERA).slice(0, 60);
    expect(withoutMetadata(cut)).toBe(cut);
  });
});

describe("the size that a picture's head tells", () => {
  it("is that of the picture, whichever way it was written", () => {
    expect(pictureSize(photograph(...CAMERA))).toEqual({ width: 120, height: 90 });
    expect(pictureSize(new TextEncoder().encode("GIF89a\u0010\u0000\u0008\u0000"))).toEqual({ width: 16, height: 8 });
  });

  it("of a bomb is told without unpacking it", () => {
    const head = [137, 80, 78, 71, 13, 10, 26, 10, 0, 0, 0, 13, 73, 72, 68, 82, 0, 0, 195, 80, 0, 0, 195, 80];
    expect(pictureSize(new Uint8Array(head))).toEqual({ width: 50_000, height: 50_000 });
    expect(pictureSize(new Uint8Array([1, 2, 3]))).toBeNull();
  });
});
