import hljs from "highlight.js/lib/common";
import { hasChildren, isTag, type AnyNode } from "domhandler";
import { ElementType, parseDocument } from "htmlparser2";
import {
  MOST_CHARACTERS,
  MOST_NODES,
  type PageContent,
  type PageElement,
  type PageIssue,
  type PageNode,
} from "#core/formats";
import { decodedText } from "../decoded-text";

/** Languages of the highlighter by the media types of files; what is not here is shown without colours. */
const LANGUAGES: Readonly<Record<string, string>> = {
  "text/x-c": "c",
  "text/x-c++": "cpp",
  "text/x-csharp": "csharp",
  "text/css": "css",
  "text/x-go": "go",
  "text/x-java": "java",
  "text/javascript": "javascript",
  "application/json": "json",
  "text/x-kotlin": "kotlin",
  "text/x-lua": "lua",
  "text/x-php": "php",
  "text/x-perl": "perl",
  "text/x-python": "python",
  "text/x-r": "r",
  "text/x-ruby": "ruby",
  "text/x-rust": "rust",
  "text/x-sh": "bash",
  "text/x-sql": "sql",
  "text/x-swift": "swift",
  "text/x-typescript": "typescript",
  "text/xml": "xml",
  "text/x-yaml": "yaml",
};

/** Longest code that is coloured, in characters; longer code is shown plain. */
const MOST_COLOURED = 300_000;

/** Source code in its own lines, each an element, coloured by what its words are. */
export function openCode(bytes: Uint8Array<ArrayBuffer>, mediaType: string): PageContent | PageIssue {
  const text = decodedText(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength));
  if (text.length > MOST_CHARACTERS) return "too_large";
  const lines = codeLines(text.replace(/\r\n?/g, "\n").replace(/\n$/, ""), LANGUAGES[mediaType] ?? null);
  if (lines.length > MOST_NODES / 2) return "too_large";
  return { nodes: [{ tag: "pre", attributes: { class: "code" }, children: lines }], css: "" };
}

/** Lines of code as elements; `language` as the highlighter calls it, null for none. */
export function codeLines(text: string, language: string | null): PageElement[] {
  const isColoured = language !== null && hljs.getLanguage(language) !== undefined && text.length <= MOST_COLOURED;
  const parts: readonly PageNode[] = isColoured ? colouredParts(text, language) : [text];
  const lines: PageNode[][] = [[]];
  const put = (node: PageNode) => lines.at(-1)?.push(node);
  for (const part of parts) {
    const words = typeof part === "string" ? part : (part.children?.[0] ?? "");
    const pieces = typeof words === "string" ? words.split("\n") : [];
    pieces.forEach((piece, index) => {
      if (index > 0) lines.push([]);
      if (piece !== "") put(typeof part === "string" ? piece : { ...part, children: [piece] });
    });
  }
  return lines.map((children) => ({ tag: "div", attributes: { class: "line" }, children }));
}

/** The highlighter's answer as texts and single spans: where spans lie in one another, the innermost tells. */
function colouredParts(text: string, language: string): PageNode[] {
  const { value } = hljs.highlight(text, { language, ignoreIllegals: true });
  const parts: PageNode[] = [];
  const walk = (node: AnyNode, look: string | null) => {
    if (node.type === ElementType.Text)
      parts.push(look === null ? node.data : { tag: "span", attributes: { class: look }, children: [node.data] });
    const own = isTag(node) ? (node.attribs["class"]?.split(" ")[0] ?? null) : null;
    if (hasChildren(node)) for (const child of node.children) walk(child, own ?? look);
  };
  walk(parseDocument(value), null);
  return parts;
}
