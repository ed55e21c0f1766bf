import MarkdownIt from "markdown-it";
import { hasChildren, isTag, type AnyNode as ParsedNode } from "domhandler";
import { ElementType, parseDocument } from "htmlparser2";
import {
  MOST_CHARACTERS,
  pageTree,
  type ForeignNode,
  type PageContent,
  type PageIssue,
  type PageNode,
} from "#core/formats";

/** Most characters of the source of a page; its pictures are in it. */
const MOST_SOURCE = 40_000_000;

/** A stored web page as data: words, tables and its own pictures; its scripts, styles and all it would fetch are left out. */
export function openWebPage(bytes: Uint8Array): PageContent | PageIssue {
  if (bytes.length > MOST_SOURCE) return "too_large";
  return contentOf(new TextDecoder().decode(bytes));
}

const markdown = new MarkdownIt({ html: false, linkify: false });

/** Markdown as data. */
export function openMarkdown(bytes: Uint8Array): PageContent | PageIssue {
  const text = new TextDecoder().decode(bytes);
  return text.length > MOST_CHARACTERS ? "too_large" : contentOf(markdown.render(text));
}

function contentOf(html: string): PageContent | PageIssue {
  const nodes = webNodes(html);
  return nodes === "too_large" ? nodes : { nodes, css: "" };
}

/** A piece of a web page as data. */
export const webNodes = (html: string): readonly PageNode[] | "too_large" =>
  pageTree(foreignNode(parseDocument(html)), null);

const ELEMENT = 1;
const TEXT = 3;
const OTHER = 8;

/** A node of the parser as one that can be looked at; its children are made when they are asked for. */
function foreignNode(node: ParsedNode): ForeignNode {
  const isText = node.type === ElementType.Text;
  return {
    nodeType: isText ? TEXT : isTag(node) ? ELEMENT : OTHER,
    nodeName: isTag(node) ? node.name : "",
    nodeValue: isText ? node.data : null,
    get childNodes() {
      return hasChildren(node) ? node.children.map(foreignNode) : [];
    },
    getAttribute: (name) => (isTag(node) ? (node.attribs[name] ?? null) : null),
  };
}
