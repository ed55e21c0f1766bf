import type { Page } from "@playwright/test";

/** Works are shown in closed trees, which no locator and no check of accessibility can look into; in tests they are open. */
export const openClosedTrees = (page: Page) =>
  page.addInitScript(() => {
    // oxlint-disable-next-line typescript/unbound-method -- called on the element it is called on
    const attach = Element.prototype.attachShadow;
    Element.prototype.attachShadow = function (init) {
      return attach.call(this, { ...init, mode: "open" });
    };
  });
