import { expect, type Page } from "@playwright/test";

/** Drops the demo's inbox, and waits until its scanned pile, which is drawn and then read page by page, is cut. */
export async function dropInbox(page: Page): Promise<void> {
  await page.getByRole("button", { name: "Try it with the demo’s inbox" }).click();
  await expect(page.getByRole("list", { name: "For other work" })).toContainText("8 pieces for Field notebook", {
    timeout: 60_000,
  });
  await expect(page.getByRole("button", { name: /^Take in/ })).toBeEnabled();
}
