import { zipSync, type Zippable } from "fflate";
import { DOMParser as XmlParser, XMLSerializer } from "@xmldom/xmldom";
import { parseHTML } from "linkedom";
import { pageTree, type PageContent, type PageIssue } from "#core/formats";
import { documentParts } from "./packed-document";
import { safeDeclarations, safeRules } from "./safe-css";

/**
 * The parts of a Word file that are needed to show it, packed anew: what reads them next never meets a size that the file
 * lied about, a macro, or a document type that defines entities.
 */
export function trimmedWord(bytes: Uint8Array): Uint8Array | PageIssue {
  const files = documentParts(bytes, (name) => /^word\/media\//.test(name));
  if (typeof files === "string") return files;
  if (!files["word/document.xml"]) return "damaged";
  const stored: Zippable = Object.fromEntries(
    Object.entries(files).map(([name, content]) => [name, [content, { level: 0 }]] as const),
  );
  return zipSync(stored);
}

/** What the drawing library asks of a browser, in a place without one. */
function lendDocument(document: unknown, Node: unknown): void {
  class Parser {
    parseFromString(text: string, type: string) {
      const parsed = new XmlParser({ onError: () => undefined }).parseFromString(text, type);
      Object.defineProperty(parsed, "firstElementChild", { value: parsed.documentElement });
      return parsed;
    }
  }
  Object.assign(globalThis, { document, DOMParser: Parser, XMLSerializer, Node });
}

/** Draws a Word file as data. Macros, embedded pages, fonts and anything remote are left out. */
export async function openWord(bytes: Uint8Array): Promise<PageContent | PageIssue> {
  const trimmed = trimmedWord(bytes);
  if (typeof trimmed === "string") return trimmed;
  const { document, Node } = parseHTML("<!doctype html><html><head></head><body></body></html>");
  lendDocument(document, Node);
  const host = document.createElement("div");
  const styles = document.createElement("div");
  try {
    const { renderAsync } = await import("docx-preview");
    await renderAsync(trimmed, host, styles, {
      className: "word",
      inWrapper: false,
      ignoreWidth: true,
      ignoreHeight: true,
      ignoreFonts: true,
      renderAltChunks: false,
      useBase64URL: true,
    });
  } catch {
    return "damaged";
  }
  const made = new Map<string, string>();
  const classes = new Map<string, string>();
  const nodes = pageTree(host, (style) => {
    const known = classes.get(style);
    if (known !== undefined) return known || null;
    const declarations = safeDeclarations(style);
    const name = declarations === "" ? "" : (made.get(declarations) ?? `w${String(made.size)}`);
    if (declarations !== "") made.set(declarations, name);
    classes.set(style, name);
    return name || null;
  });
  if (nodes === "too_large") return nodes;
  const css = [...styles.querySelectorAll("style")].map((style) => style.textContent).join("\n");
  // What stood at an element itself goes before every rule, as it did there.
  const own = [...made].map(([declarations, name]) => `.${name}.${name}.${name}{${declarations}}`);
  return { nodes, css: [safeRules(css), ...own].join("\n") };
}
