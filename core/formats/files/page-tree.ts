/** An element of a foreign document as it is shown: only tags, attributes and text that are on the lists below. */
export interface PageElement {
  readonly tag: string;
  readonly attributes?: Readonly<Record<string, string>>;
  readonly children?: readonly PageNode[];
}

/** A piece of a foreign document: text, or an element. It is data; the page builds its own elements from it. */
export type PageNode = string | PageElement;

/** A foreign document ready to be shown. */
export interface PageContent {
  readonly nodes: readonly PageNode[];
  /** Style rules that went through the list of allowed properties; empty for documents without looks of their own. */
  readonly css: string;
}

/** Why a foreign document is not shown. */
export type PageIssue = "damaged" | "too_large" | "stopped";

/** Kinds of document that are read in a worker. */
const PAGE_KINDS = ["word", "openText", "webPage", "markdown", "code", "notebook", "sheet", "tiff"] as const;
/** A kind of document that is read in a worker. */
export type PageKind = (typeof PAGE_KINDS)[number];

/** Whether work of a kind is read in a worker. */
export const isPageKind = (kind: string): kind is PageKind => (PAGE_KINDS as readonly string[]).includes(kind);

/** As much of a document's node as is looked at, whatever library read it. */
export interface ForeignNode {
  readonly nodeType: number;
  readonly nodeName: string;
  readonly nodeValue: string | null;
  readonly childNodes: ArrayLike<ForeignNode>;
  readonly getAttribute?: (name: string) => string | null;
}

/** Elements that are kept. Of others the content alone is kept, or nothing where it is no text to be read. */
const TAGS = new Set(
  "h1 h2 h3 h4 h5 h6 p em strong b i u s sub sup del ins code pre blockquote ul ol li dl dt dd table caption thead tbody tfoot tr th td colgroup col hr br a div span section article header footer main figure figcaption img".split(
    " ",
  ),
);
const WITHOUT_CONTENT = new Set(
  "script style template iframe frame object embed noscript svg math head title audio video canvas select textarea link meta base".split(
    " ",
  ),
);

/** Most nodes of one document, most characters of its text, and how deep it may go: beyond, a page would stand still. */
export const MOST_NODES = 60_000;
export const MOST_CHARACTERS = 1_000_000;
const MOST_DEPTH = 120;

const ELEMENT = 1;
const TEXT = 3;

/** How looks of a document are taken over: the class that stands for a style, or null for none. */
export type ClassForStyle = (style: string) => string | null;

/** Makes a tree of plain data of a foreign document; what is not on the lists is left out. */
export function pageTree(root: ForeignNode, classForStyle: ClassForStyle | null): readonly PageNode[] | "too_large" {
  const left = { nodes: MOST_NODES, characters: MOST_CHARACTERS };
  const nodes = childrenOf(root, { classForStyle, left }, 0);
  return left.nodes < 0 || left.characters < 0 ? "too_large" : nodes;
}

interface Taking {
  readonly classForStyle: ClassForStyle | null;
  readonly left: { nodes: number; characters: number };
}

function childrenOf(parent: ForeignNode, taking: Taking, depth: number): PageNode[] {
  const kept: PageNode[] = [];
  const { left } = taking;
  for (const node of Array.from(parent.childNodes)) {
    if (left.nodes < 0 || left.characters < 0) break;
    kept.push(...taken(node, taking, depth));
  }
  return kept;
}

function taken(node: ForeignNode, taking: Taking, depth: number): readonly PageNode[] {
  taking.left.nodes -= 1;
  if (node.nodeType === TEXT) {
    const text = node.nodeValue ?? "";
    taking.left.characters -= text.length;
    return text === "" ? [] : [text];
  }
  const tag = node.nodeName.toLowerCase();
  if (node.nodeType !== ELEMENT || WITHOUT_CONTENT.has(tag)) return [];
  const children = depth < MOST_DEPTH ? childrenOf(node, taking, depth + 1) : [];
  if (!TAGS.has(tag)) return children;
  const attributes = attributesOf(node, tag, taking.classForStyle);
  if (tag === "img" && !attributes["src"]) return [];
  return [{ tag, ...(Object.keys(attributes).length > 0 && { attributes }), ...(children.length > 0 && { children }) }];
}

/** Pictures that are part of the document itself; drawings could hold anything. */
const OWN_PICTURE = /^data:image\/(?:png|jpeg|gif|webp);base64,[A-Za-z0-9+/=\s]*$/;
const ADDRESS = /^(?:https?:|mailto:)/i;

function attributesOf(node: ForeignNode, tag: string, classForStyle: ClassForStyle | null): Record<string, string> {
  const of = (name: string) => node.getAttribute?.(name) ?? null;
  const found: Record<string, string> = {};
  for (const name of ["colspan", "rowspan", "start"]) {
    const value = of(name);
    if (value !== null && /^\d{1,4}$/.test(value)) found[name] = value;
  }
  const address = tag === "a" ? (of("href")?.trim() ?? "") : "";
  // A link of a work opens nothing; its address is shown when somebody asks for it.
  if (ADDRESS.test(address)) found["data-address"] = address.slice(0, 2_000);
  const source = tag === "img" ? of("src") : null;
  if (source !== null && OWN_PICTURE.test(source)) {
    found["src"] = source;
    found["alt"] = of("alt") ?? "";
  }
  if (classForStyle) {
    const own = (of("class") ?? "").split(/\s+/).filter((name) => /^[\w-]{1,80}$/.test(name));
    const style = of("style");
    const made = style ? classForStyle(style) : null;
    if (own.length > 0 || made) found["class"] = [...own, ...(made ? [made] : [])].join(" ");
  }
  return found;
}
