import type { JSONContent } from "@tiptap/core";
import { light, type Token } from "./formatted";

type Marks = NonNullable<JSONContent["marks"]>;

/** A comment as the editor holds it, read by the same reader that shows it to the student. */
export function documentOf(text: string): JSONContent {
  const root: JSONContent = { type: "doc", content: [] };
  const open: JSONContent[] = [root];
  const put = (node: JSONContent) => (open.at(-1)?.content ?? []).push(node);
  for (const token of light.parse(text, {})) {
    const type = BLOCKS[token.type.replace(/_(?:open|close)$/, "")];
    if (token.type === "inline") (open.at(-1)?.content ?? []).push(...inlineOf(token.children ?? []));
    else if (type === undefined) continue;
    else if (token.nesting === -1) open.pop();
    else {
      const start = token.type === "ordered_list_open" ? Number(token.attrGet("start") ?? 1) : 1;
      const node: JSONContent = { type, ...(start !== 1 && { attrs: { start } }), content: [] };
      put(node);
      open.push(node);
    }
  }
  if (root.content?.length === 0) put({ type: "paragraph" });
  return root;
}

const BLOCKS: Readonly<Record<string, string>> = {
  paragraph: "paragraph",
  bullet_list: "bulletList",
  ordered_list: "orderedList",
  list_item: "listItem",
};

const MARKS: Readonly<Record<string, string>> = { strong: "bold", em: "italic", link: "link" };

function inlineOf(tokens: readonly Token[]): JSONContent[] {
  const nodes: JSONContent[] = [];
  let marks: Marks = [];
  for (const token of tokens) {
    const mark = MARKS[token.type.replace(/_(?:open|close)$/, "")];
    if (token.type.endsWith("break")) nodes.push({ type: "hardBreak" });
    else if (mark && token.nesting === 1)
      marks = [...marks, { type: mark, ...(mark === "link" && { attrs: { href: token.attrGet("href") ?? "" } }) }];
    else if (mark) marks = marks.filter(({ type }) => type !== mark);
    else if (token.content !== "")
      nodes.push({ type: "text", text: token.content, ...(marks.length > 0 && { marks: [...marks] }) });
  }
  return nodes;
}

/**
 * What the editor holds as text with its few marks. Signs that would be read as marks are escaped, and only where they
 * would be: "2 * 3" stays as it was typed.
 */
export function commentText(document: JSONContent): string {
  const plain = blocksText(document.content ?? [], false);
  return isSameDocument(documentOf(plain), document) ? plain : blocksText(document.content ?? [], true);
}

const blocksText = (blocks: readonly JSONContent[], escapes: boolean): string =>
  blocks
    .map((block) => blockText(block, escapes))
    .join("\n\n")
    .trim();

function blockText(block: JSONContent, escapes: boolean): string {
  if (block.type !== "bulletList" && block.type !== "orderedList") return inlineText(block.content ?? [], escapes);
  const start = Number(block.attrs?.["start"] ?? 1);
  return (block.content ?? [])
    .map((item, place) => {
      const lead = block.type === "bulletList" ? "- " : `${String(start + place)}. `;
      const text = (item.content ?? [])
        // A list that lies in an item follows its words on the next line, another paragraph after an empty one.
        .map((one, at) => (at === 0 ? "" : one.type === "paragraph" ? "\n\n" : "\n") + blockText(one, escapes))
        .join("");
      return lead + text.split("\n").join(`\n${" ".repeat(lead.length)}`);
    })
    .join("\n");
}

/** Marks in the order in which they are opened, so that what holds longer lies outside. */
const SIGNS: readonly (readonly [type: string, sign: string])[] = [
  ["bold", "**"],
  ["italic", "*"],
];

function inlineText(nodes: readonly JSONContent[], escapes: boolean): string {
  const text = marked(nodes, SIGNS, escapes);
  // What begins a line like a list, without being one.
  return escapes ? text.replace(/^([ \t]*)([-+]|\d{1,9}[.)])(?=\s|$)/gm, escapedLead) : text;
}

const escapedLead = (_: string, space: string, lead: string): string =>
  space + lead.slice(0, -1) + "\\" + lead.slice(-1);

const hasMark = (node: JSONContent | undefined, type: string): boolean =>
  node?.marks?.some((mark) => mark.type === type) ?? false;

/** Runs of nodes with a mark are put between its signs; spaces at the ends of a run stand outside, as they must. */
function marked(nodes: readonly JSONContent[], signs: typeof SIGNS, escapes: boolean): string {
  const [first, ...others] = signs;
  if (!first) return linked(nodes, escapes);
  const [type, sign] = first;
  return runsBy(nodes, (node) => hasMark(node, type))
    .map(({ value, run }) => {
      const text = marked(run, others, escapes);
      const inner = text.trim();
      if (!value || inner === "") return text;
      const [before = "", after = ""] = text.split(inner);
      return before + sign + inner + sign + after;
    })
    .join("");
}

const addressOf = (node: JSONContent): string =>
  String(node.marks?.find(({ type }) => type === "link")?.attrs?.["href"] ?? "");

const linked = (nodes: readonly JSONContent[], escapes: boolean): string =>
  runsBy(nodes, addressOf)
    .map(({ value, run }) => {
      const text = run.map((node) => nodeText(node, escapes)).join("");
      return value === "" ? text : `[${text}](${value})`;
    })
    .join("");

const nodeText = (node: JSONContent, escapes: boolean): string => {
  if (node.type === "hardBreak") return "\n";
  return escapes ? (node.text ?? "").replace(/[\\*_[\]]/g, "\\$&") : (node.text ?? "");
};

/** Neighbours of one value, together. */
function runsBy<V>(nodes: readonly JSONContent[], valueOf: (node: JSONContent) => V) {
  const runs: { readonly value: V; readonly run: JSONContent[] }[] = [];
  for (const node of nodes) {
    const value = valueOf(node);
    const last = runs.at(-1);
    if (last?.value === value) last.run.push(node);
    else runs.push({ value, run: [node] });
  }
  return runs;
}

/** Whether two documents say the same; how an empty one or a list's start is written does not matter. */
export const isSameDocument = (a: JSONContent, b: JSONContent): boolean => outline(a) === outline(b);

function outline(node: JSONContent): string {
  if (node.type === "text") {
    const marks = (node.marks ?? []).map((mark) => mark.type + String(mark.attrs?.["href"] ?? "")).sort();
    return JSON.stringify([node.text, marks]);
  }
  const start = node.type === "orderedList" ? String(node.attrs?.["start"] ?? 1) : "";
  return `${node.type ?? ""}${start}(${(node.content ?? []).map(outline).join("")})`;
}
