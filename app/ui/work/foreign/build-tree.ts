import type { PageNode } from "#core/formats";

/**
 * Elements for a tree of data. Nothing of a foreign document is ever parsed by the page: each element is made by its name,
 * each text set as text.
 */
export function buildTree(nodes: readonly PageNode[], document: Document): DocumentFragment {
  const fragment = document.createDocumentFragment();
  for (const node of nodes) {
    if (typeof node === "string") {
      fragment.append(node);
      continue;
    }
    const element = document.createElement(node.tag);
    for (const [name, value] of Object.entries(node.attributes ?? {})) element.setAttribute(name, value);
    if (node.attributes?.["data-address"] !== undefined) {
      element.setAttribute("role", "button");
      element.tabIndex = 0;
      element.title = "Shows the address; it opens nothing";
    }
    if (node.children) element.append(buildTree(node.children, document));
    fragment.append(element);
  }
  return fragment;
}
