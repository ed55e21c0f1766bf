import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import type { Page } from "@playwright/test";
import type axe from "axe-core";

const SOURCE = readFileSync(createRequire(import.meta.url).resolve("axe-core/axe.min.js"), "utf8");

/** The rules of colour, which take most of the time. */
const OF_COLOUR = ["color-contrast", "link-in-text-block"];

interface Look {
  /** Only the rules of colour: what another light can make worse. */
  readonly onlyColour?: boolean;
  /** A rule that is left out. */
  readonly but?: string;
}

/**
 * What the accessibility checker finds on this page, a line for each rule that is broken. It is put into a page once, which
 * takes as long as looking at a small one; a list of all that is well would take two thirds of the time on a large page.
 * The rules of colour look at one text of each look (`textsOfEachLook`): a hundred cells in the same colours are one.
 */
export async function axeFinds(page: Page, look: Look = {}): Promise<string[]> {
  if (page.frames().length > 1) throw new Error("The page has frames: each of them has to be looked at by itself.");
  if (!(await page.evaluate(() => "axe" in window))) await page.evaluate(SOURCE);
  const texts = await page.evaluateHandle(textsOfEachLook);
  const found = await page.evaluate(
    async ({ seen, colour, onlyColour, but }) => {
      const { run } = (window as unknown as { readonly axe: typeof axe }).axe;
      const options = { resultTypes: ["violations" as const], selectors: false, iframes: false };
      const off = [...colour, ...(but ? [but] : [])].map((rule) => [rule, { enabled: false }] as const);
      const all = onlyColour ? [] : [await run(document, { ...options, rules: Object.fromEntries(off) })];
      // An empty list is an error to the checker.
      const colours = seen.length === 0 ? [] : [await run(seen as never, { ...options, runOnly: [...colour] })];
      return [...all, ...colours].flatMap(({ violations }) =>
        violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(" | ")}`),
      );
    },
    { seen: texts, colour: OF_COLOUR, onlyColour: look.onlyColour ?? false, but: look.but },
  );
  await texts.dispose();
  return found;
}

/**
 * A text of each look that the page has: the colours, sizes and classes of it and of all it stands in, whether it can be
 * used, and whether it is what one sees at its place, for what is covered or scrolled away is not judged. What is judged
 * of it holds for every other of that look.
 */
function textsOfEachLook(): Element[] {
  const numbers = new Map<string, number>();
  const numberOf = (key: string) => {
    const known = numbers.get(key) ?? numbers.size;
    numbers.set(key, known);
    return known;
  };
  const texts = new Map<number, Element>();
  const hasText = (element: Element) =>
    element.matches("input, textarea, select") ||
    [...element.childNodes].some((node) => node.nodeType === Node.TEXT_NODE && node.nodeValue?.trim());
  const isSeen = (element: Element, root: Document | ShadowRoot) => {
    const { left, top, width, height } = element.getBoundingClientRect();
    const at = root.elementFromPoint(left + width / 2, top + height / 2);
    return at !== null && (element.contains(at) || at.contains(element));
  };
  const visit = (element: Element, root: Document | ShadowRoot, outside: number) => {
    const style = getComputedStyle(element);
    if (style.display === "none") return;
    const ground = numberOf(
      [
        outside,
        element.tagName,
        element.getAttribute("class"),
        element.hasAttribute("id"),
        element.matches(":disabled, [aria-disabled='true'], [inert]"),
        style.backgroundColor,
        style.backgroundImage,
        style.opacity,
        style.visibility,
        style.position,
      ].join("|"),
    );
    if (hasText(element)) {
      const { color, fontSize, fontWeight, textShadow } = style;
      const key = numberOf([ground, color, fontSize, fontWeight, textShadow, isSeen(element, root)].join("|"));
      if (!texts.has(key)) texts.set(key, element);
    }
    for (const child of element.children) visit(child, root, ground);
    if (element.shadowRoot) for (const child of element.shadowRoot.children) visit(child, element.shadowRoot, ground);
  };
  visit(document.body, document, 0);
  return [...texts.values()];
}
