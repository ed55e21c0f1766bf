import { keptBy } from "#core/kernel";
import type { PageContent, PageElement, PageNode } from "#core/formats";

/** A post of somebody else, beside a student's own. */
export interface BesidePost {
  readonly name: string;
  readonly when: string;
  readonly text: string;
  readonly depth: number;
  /** The student's own, said before; it is only named. */
  readonly own: boolean;
}

/** What stands before and after one post of a student in its thread. */
export interface PostContext {
  readonly before: readonly BesidePost[];
  readonly after: readonly BesidePost[];
}

/** Characters of a folded post that are shown. */
const FIRST_WORDS = 90;

function folded(posts: readonly BesidePost[], lead: string): PageElement[] {
  return posts.map((post) => {
    const attributes = { "data-aside": "", "data-depth": String(Math.min(post.depth, 6)) };
    const short = post.text.length > FIRST_WORDS ? `${post.text.slice(0, FIRST_WORDS).trimEnd()}…` : post.text;
    const head = `${lead} ${post.name}${post.when ? `, ${post.when}` : ""}: ${short}`;
    if (post.own) return { tag: "p", attributes, children: [{ tag: "span", children: [head] }] };
    const children = [
      { tag: "summary", children: [head] },
      { tag: "p", children: [post.text] },
    ];
    return { tag: "details", attributes, children };
  });
}

/**
 * A student's posts with the others' of their threads around them, folded; the others' are no part of the work. The same
 * answer for the same posts and threads, so that the page is not built anew.
 */
export const withThreads = keptBy({
  owner: (content: PageContent, _: readonly PostContext[]) => content,
  basis: (_, contexts) => ({ contexts }),
  make: (_, ...given) => threaded(...given),
});

function threaded(content: PageContent, contexts: readonly PostContext[]): PageContent {
  let index = 0;
  const around = (nodes: readonly PageNode[]): PageNode[] =>
    nodes.flatMap((node): PageNode[] => {
      if (typeof node === "string") return [node];
      if (node.tag !== "article") return [node.children ? { ...node, children: around(node.children) } : node];
      const context = contexts[index];
      index += 1;
      return [
        ...folded(context?.before ?? [], "↳ in answer to"),
        node,
        ...folded(context?.after ?? [], "↳ answered by"),
      ];
    });
  return { ...content, nodes: around(content.nodes) };
}
