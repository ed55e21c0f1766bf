import { expect, test, type Locator, type Page } from "@playwright/test";
import { letGo } from "./let-go";

/**
 * Counts what a person does for one gesture: a click, a key, a choice, or one thing typed is one act each. `done` holds
 * the count against what it may be, and notes both, so that `npm test` prints them.
 */
export class Acts {
  #count = 0;

  constructor(private readonly page: Page) {}

  async click(target: Locator): Promise<void> {
    await target.click();
    this.#count += 1;
  }

  async key(key: string): Promise<void> {
    await this.page.keyboard.press(key);
    this.#count += 1;
  }

  async choose(target: Locator, option: string | { readonly label: string }): Promise<void> {
    await target.selectOption(option);
    this.#count += 1;
  }

  /** Files let go on a part of the page, all at once. */
  async drop(selector: string, files: readonly (readonly [name: string, text: string])[]): Promise<void> {
    await letGo(this.page, selector, files);
    this.#count += 1;
  }

  /** One thing typed where the focus is. */
  async type(text: string): Promise<void> {
    await this.page.keyboard.type(text);
    this.#count += 1;
  }

  done(what: string, allowed: number): void {
    test.info().annotations.push({
      type: "acts",
      description: `${what}: ${String(this.#count)} of at most ${String(allowed)}`,
    });
    expect(this.#count, what).toBeLessThanOrEqual(allowed);
  }
}
