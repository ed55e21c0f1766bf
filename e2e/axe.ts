import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import type { Page } from "@playwright/test";
import type axe from "axe-core";

const SOURCE = readFileSync(createRequire(import.meta.url).resolve("axe-core/axe.min.js"), "utf8");

interface Look {
  /** The rules that are looked at; all of them where none is named. */
  readonly only?: readonly string[];
  /** A rule that is left out. */
  readonly but?: string;
}

/**
 * What the accessibility checker finds on this page, a line for each rule that is broken. It is put into a page once, which
 * takes as long as looking at a small one; a list of all that is well would take two thirds of the time on a large page.
 */
export async function axeFinds(page: Page, look: Look = {}): Promise<string[]> {
  if (page.frames().length > 1) throw new Error("The page has frames: each of them has to be looked at by itself.");
  if (!(await page.evaluate(() => "axe" in window))) await page.evaluate(SOURCE);
  return page.evaluate(
    async ({ only, but }) => {
      const { violations } = await (window as unknown as { readonly axe: typeof axe }).axe.run(document, {
        resultTypes: ["violations"],
        selectors: false,
        iframes: false,
        ...(only && { runOnly: [...only] }),
        ...(but && { rules: { [but]: { enabled: false } } }),
      });
      return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(" | ")}`);
    },
    { only: look.only, but: look.but },
  );
}
