import { z } from "zod/mini";
import { MOST_CHARACTERS, type PageContent, type PageIssue, type PageNode } from "#core/formats";
import { codeLines } from "./code";
import { openMarkdown, webNodes } from "./web-page";

/** Text that a notebook keeps whole or as a list of its lines. */
const lines = z.union([
  z.string(),
  z.pipe(
    z.array(z.string()),
    z.transform((all) => all.join("")),
  ),
]);
const bundle = z.record(z.string(), z.unknown());
const output = z.looseObject({
  output_type: z.string(),
  text: z.optional(lines),
  data: z.optional(bundle),
  ename: z.optional(z.string()),
  evalue: z.optional(z.string()),
});
const cell = z.looseObject({
  cell_type: z.string(),
  source: lines,
  outputs: z.optional(z.array(output)),
});
/** A notebook of form 4 (nbformat 4, the open form of computational notebooks), as far as it is shown. */
const notebook = z.looseObject({
  cells: z.array(cell),
  metadata: z.optional(
    z.looseObject({
      kernelspec: z.optional(z.looseObject({ language: z.optional(z.string()) })),
      language_info: z.optional(z.looseObject({ name: z.optional(z.string()) })),
    }),
  ),
});

/** Pictures that are shown, as the notebook keeps them. */
const PICTURES = ["image/png", "image/jpeg"] as const;
/** Colour marks of a terminal (ECMA-48). */
// oxlint-disable-next-line no-control-regex -- the marks begin with one
const TERMINAL = /\u001b\[[0-9;]*m/g;

/** A notebook as data: its words, its code and the results that were kept with it. Nothing of it runs. */
export function openNotebook(bytes: Uint8Array): PageContent | PageIssue {
  const text = new TextDecoder().decode(bytes);
  if (text.length > 40 * MOST_CHARACTERS) return "too_large";
  const read = notebook.safeParse(parsed(text));
  if (!read.success) return "damaged";
  const { cells, metadata } = read.data;
  const language = metadata?.language_info?.name ?? metadata?.kernelspec?.language ?? "python";
  const nodes: PageNode[] = [];
  for (const { cell_type: kind, source, outputs = [] } of cells) {
    if (kind === "markdown") {
      const words = openMarkdown(new TextEncoder().encode(source));
      if (typeof words === "string") return words;
      nodes.push({ tag: "section", attributes: { class: "cell" }, children: words.nodes });
      continue;
    }
    const code: PageNode = {
      tag: "pre",
      attributes: { class: "code" },
      children: codeLines(source, kind === "code" ? language : null),
    };
    nodes.push({ tag: "section", attributes: { class: "cell" }, children: [code, ...outputs.flatMap(outputNodes)] });
  }
  return { nodes, css: "" };
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

function outputNodes({ text, data, ename, evalue }: z.infer<typeof output>): PageNode[] {
  if (ename !== undefined) return [printed(`${ename}: ${evalue ?? ""}`)];
  if (text !== undefined) return [printed(text)];
  for (const type of PICTURES) {
    const picture = lines.safeParse(data?.[type]).data?.replace(/\s/g, "");
    if (picture && /^[A-Za-z0-9+/=]+$/.test(picture))
      return [{ tag: "img", attributes: { src: `data:${type};base64,${picture}`, alt: "A result of the code" } }];
  }
  const page = lines.safeParse(data?.["text/html"]).data;
  const nodes = page === undefined ? "too_large" : webNodes(page);
  if (typeof nodes !== "string" && nodes.length > 0) return [...nodes];
  const plain = lines.safeParse(data?.["text/plain"]).data;
  return plain === undefined ? [] : [printed(plain)];
}

const printed = (text: string): PageNode => ({
  tag: "pre",
  attributes: { class: "printed" },
  children: [text.replace(TERMINAL, "")],
});
