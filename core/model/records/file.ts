import { z } from "zod/mini";
import { byteCountField, fileNameField, idField } from "./fields";

/** A media type as in RFC 6838, lower case, without parameters: `image/png`. */
const mediaTypeField = z.string().check(z.regex(/^[a-z]+\/[a-z0-9][a-z0-9.+-]*$/), z.maxLength(120));

/** A file that goes with a task or was handed in; its size in bytes. */
export const fileSchema = z.object({
  id: idField("file"),
  name: fileNameField,
  mediaType: mediaTypeField,
  /** Bytes. */
  size: byteCountField,
});
/** A file that goes with a task or was handed in. */
export type WorkFile = z.infer<typeof fileSchema>;

/** How a file is shown: in place as one of these, or offered for saving where it is none of them. */
export type WorkKind =
  | "pdf"
  | "markdown"
  | "text"
  | "word"
  | "openText"
  | "code"
  | "notebook"
  | "sheet"
  | "tiff"
  | "image"
  | "webPage"
  | "sound"
  | "video"
  | "other";

/**
 * Endings of file names with their media types, as registered with IANA (Media Types registry); the Word ending is of
 * ECMA-376. A file's own claim about its type is not believed.
 */
const BY_ENDING: Readonly<Record<string, readonly [mediaType: string, kind: WorkKind]>> = {
  pdf: ["application/pdf", "pdf"],
  md: ["text/markdown", "markdown"],
  markdown: ["text/markdown", "markdown"],
  txt: ["text/plain", "text"],
  csv: ["text/csv", "text"],
  docx: ["application/vnd.openxmlformats-officedocument.wordprocessingml.document", "word"],
  odt: ["application/vnd.oasis.opendocument.text", "openText"],
  xlsx: ["application/vnd.openxmlformats-officedocument.spreadsheetml.sheet", "sheet"],
  ods: ["application/vnd.oasis.opendocument.spreadsheet", "sheet"],
  ipynb: ["application/x-ipynb+json", "notebook"],
  tsv: ["text/tab-separated-values", "text"],
  png: ["image/png", "image"],
  jpg: ["image/jpeg", "image"],
  jpeg: ["image/jpeg", "image"],
  gif: ["image/gif", "image"],
  webp: ["image/webp", "image"],
  avif: ["image/avif", "image"],
  svg: ["image/svg+xml", "image"],
  tif: ["image/tiff", "tiff"],
  tiff: ["image/tiff", "tiff"],
  html: ["text/html", "webPage"],
  htm: ["text/html", "webPage"],
  mp3: ["audio/mpeg", "sound"],
  m4a: ["audio/mp4", "sound"],
  oga: ["audio/ogg", "sound"],
  ogg: ["audio/ogg", "sound"],
  wav: ["audio/wav", "sound"],
  weba: ["audio/webm", "sound"],
  mp4: ["video/mp4", "video"],
  ogv: ["video/ogg", "video"],
  webm: ["video/webm", "video"],
};

/** Endings of source code, with types that are in use where none is registered; common practice, no source. */
const CODE_BY_ENDING: Readonly<Record<string, string>> = {
  c: "text/x-c",
  cc: "text/x-c++",
  cpp: "text/x-c++",
  cs: "text/x-csharp",
  css: "text/css",
  go: "text/x-go",
  h: "text/x-c",
  hpp: "text/x-c++",
  hs: "text/x-haskell",
  java: "text/x-java",
  jl: "text/x-julia",
  js: "text/javascript",
  json: "application/json",
  kt: "text/x-kotlin",
  lua: "text/x-lua",
  m: "text/x-matlab",
  mjs: "text/javascript",
  php: "text/x-php",
  pl: "text/x-perl",
  py: "text/x-python",
  r: "text/x-r",
  rb: "text/x-ruby",
  rs: "text/x-rust",
  scala: "text/x-scala",
  sh: "text/x-sh",
  sql: "text/x-sql",
  swift: "text/x-swift",
  tex: "text/x-tex",
  ts: "text/x-typescript",
  tsx: "text/x-typescript",
  xml: "text/xml",
  yaml: "text/x-yaml",
  yml: "text/x-yaml",
};
const CODE_TYPES: ReadonlySet<string> = new Set(Object.values(CODE_BY_ENDING));

/** The media type of a file by the ending of its name; `application/octet-stream` for one that is not known. */
export function mediaTypeOf(name: string): string {
  const ending = endingOf(name);
  return BY_ENDING[ending]?.[0] ?? CODE_BY_ENDING[ending] ?? "application/octet-stream";
}

/** How a file is shown, by its media type. */
export const workKindOf = ({ mediaType }: Pick<WorkFile, "mediaType">): WorkKind =>
  Object.values(BY_ENDING).find(([type]) => type === mediaType)?.[1] ?? (CODE_TYPES.has(mediaType) ? "code" : "other");

/** Whether a file is an archive whose parts can be taken out: a ZIP, by its name or by what it says it is. */
export const isArchiveFile = (file: Pick<WorkFile, "mediaType" | "name">): boolean =>
  workKindOf(file) === "other" && (endingOf(file.name) === "zip" || /^application\/(x-)?zip/.test(file.mediaType));

const endingOf = (name: string): string => (name.includes(".") ? (name.split(".").at(-1) ?? "").toLowerCase() : "");
