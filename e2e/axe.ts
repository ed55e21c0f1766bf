import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";

/**
 * The accessibility checker on this page. Where the page has frames, each is looked at by itself and the finds are put
 * together on a page of their own; where there are none that finds the same and takes four times as long.
 * Only what it finds is written down: a list of all that is well takes two thirds of the time on a large page.
 */
export const axeOf = (page: Page) =>
  new AxeBuilder({ page }).setLegacyMode(page.frames().length === 1).options({ resultTypes: ["violations"] });
