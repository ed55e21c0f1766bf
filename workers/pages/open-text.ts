import { strFromU8 } from "fflate";
import { hasChildren, isTag, type AnyNode, type Element } from "domhandler";
import { ElementType, parseDocument } from "htmlparser2";
import { base64, pageTree, type ForeignNode, type PageContent, type PageIssue } from "#core/formats";
import { documentParts } from "./packed-document";

const ELEMENT = 1;
const TEXT = 3;

/** Elements of OpenDocument (ISO/IEC 26300) with what they are on a page. Of others the content alone is taken. */
const TAGS: Readonly<Record<string, string>> = {
  "text:p": "p",
  "text:list": "ul",
  "text:list-item": "li",
  "text:a": "a",
  "text:line-break": "br",
  "table:table": "table",
  "table:table-row": "tr",
  "table:table-cell": "td",
  "draw:image": "img",
};

/** What is no part of the work as it reads: remarks of others, what was struck out, fields of a program. */
const LEFT_OUT = new Set([
  "office:annotation",
  "office:annotation-end",
  "text:tracked-changes",
  "office:forms",
  "text:sequence-decls",
  "svg:title",
  "svg:desc",
]);

const DEEPEST_HEADING = 6;
const MOST_SPACES = 200;
const PICTURES: Readonly<Record<string, string>> = {
  png: "image/png",
  jpg: "image/jpeg",
  jpeg: "image/jpeg",
  gif: "image/gif",
};

/** Reading of one document. */
interface Reading {
  /** What a style says of its words: `strong`, `em`. */
  readonly looks: ReadonlyMap<string, readonly string[]>;
  readonly pictures: Readonly<Record<string, Uint8Array>>;
}

/** An OpenDocument text as data: its words, headings, lists, tables and pictures. Macros and all it would fetch are left out. */
export function openOpenText(bytes: Uint8Array): PageContent | PageIssue {
  const parts = documentParts(bytes, (name) => /^Pictures\//.test(name));
  if (typeof parts === "string") return parts;
  const content = parts["content.xml"];
  if (!content) return "damaged";
  const root = parseDocument(strFromU8(content), { xmlMode: true });
  const body = find(root.children, "office:text");
  if (!body) return "damaged";
  const nodes = pageTree(foreign(body, { looks: looksOf(root.children), pictures: parts }), null);
  return nodes === "too_large" ? nodes : { nodes, css: "" };
}

function find(nodes: readonly AnyNode[], name: string): Element | null {
  for (const node of nodes) {
    if (!isTag(node)) continue;
    const found = node.name === name ? node : find(node.children, name);
    if (found) return found;
  }
  return null;
}

/** Which of the document's own styles set words strong or emphasised. */
function looksOf(nodes: readonly AnyNode[]): Reading["looks"] {
  const styles = find(nodes, "office:automatic-styles")?.children ?? [];
  const looks = new Map<string, readonly string[]>();
  for (const style of styles) {
    if (!isTag(style) || style.name !== "style:style") continue;
    const words = find(style.children, "style:text-properties")?.attribs ?? {};
    const look = [
      ...(words["fo:font-weight"] === "bold" ? ["strong"] : []),
      ...(words["fo:font-style"] === "italic" ? ["em"] : []),
    ];
    if (look.length > 0) looks.set(style.attribs["style:name"] ?? "", look);
  }
  return looks;
}

const textNode = (text: string): ForeignNode => ({ nodeType: TEXT, nodeName: "", nodeValue: text, childNodes: [] });

const element = (
  tag: string,
  childNodes: ForeignNode[],
  attributes: Readonly<Record<string, string>> = {},
): ForeignNode => ({
  nodeType: ELEMENT,
  nodeName: tag,
  nodeValue: null,
  childNodes,
  getAttribute: (name) => attributes[name] ?? null,
});

const childrenOf = (node: AnyNode, reading: Reading): ForeignNode[] =>
  hasChildren(node) ? node.children.map((child) => foreign(child, reading)) : [];

/** A node of the document as one of a page. */
function foreign(node: AnyNode, reading: Reading): ForeignNode {
  if (node.type === ElementType.Text) return textNode(node.data);
  if (!isTag(node) || LEFT_OUT.has(node.name)) return element("span", []);
  const { name, attribs } = node;
  const count = Math.min(MOST_SPACES, Number.parseInt(attribs["text:c"] ?? "1", 10) || 1);
  if (name === "text:s") return textNode("\u00a0".repeat(count));
  if (name === "text:tab") return textNode("\t");
  const children = childrenOf(node, reading);
  if (name === "text:h") return element(`h${String(levelOf(attribs))}`, children);
  if (name === "text:span") {
    const look = reading.looks.get(attribs["text:style-name"] ?? "") ?? [];
    return element("span", [look.reduceRight((inner, tag) => element(tag, [inner]), element("span", children))]);
  }
  // A note stands where it is called, as a page has no foot.
  if (name === "text:note-body") return element("span", [textNode(" ("), ...children, textNode(") ")]);
  return element(TAGS[name] ?? "text", children, attributesOf(node, reading));
}

const levelOf = (attribs: Element["attribs"]): number =>
  Math.min(DEEPEST_HEADING, Math.max(1, Number.parseInt(attribs["text:outline-level"] ?? "1", 10) || 1));

function attributesOf({ name, attribs }: Element, { pictures }: Reading): Readonly<Record<string, string>> {
  const address = attribs["xlink:href"] ?? "";
  if (name === "text:a") return { href: address };
  if (name === "table:table-cell") {
    const [across, down] = [attribs["table:number-columns-spanned"], attribs["table:number-rows-spanned"]];
    return { ...(across && { colspan: across }), ...(down && { rowspan: down }) };
  }
  if (name !== "draw:image") return {};
  const bytes = pictures[address.replace(/^\.\//, "")];
  const type = PICTURES[address.split(".").at(-1)?.toLowerCase() ?? ""];
  return bytes && type ? { src: `data:${type};base64,${base64(bytes)}`, alt: "A picture of the text" } : {};
}
