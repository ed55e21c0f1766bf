import { expect, test as base, type Locator, type Page } from "@playwright/test";
import { openClosedTrees } from "./closed-trees";

/**
 * Notes every error in the console of a page and every request of it that leaves the application's address or carries
 * something away, but for those that are expected.
 */
export async function faultsOf(page: Page, baseURL: string, expectedErrors: readonly RegExp[] = []): Promise<string[]> {
  await openClosedTrees(page);
  const faults: string[] = [];
  const note = (fault: string) => {
    if (!expectedErrors.some((expected) => expected.test(fault))) faults.push(fault);
  };
  page.on("pageerror", (error) => {
    note(`page error: ${error.message}`);
  });
  page.on("console", (message) => {
    if (message.type() === "error") note(`console: ${message.text()}`);
  });
  page.on("request", (request) => {
    const url = request.url();
    if (/^(blob|data):/.test(url)) return;
    if (!url.startsWith(`${baseURL}/`)) note(`request to another address: ${url}`);
    if (request.method() !== "GET" || request.postData()) note(`request that sends data: ${request.method()} ${url}`);
  });
  return faults;
}

/** A page whose faults fail its test. Errors a test brings about itself are listed in `expectedErrors`. */
export const test = base.extend<{ readonly expectedErrors: RegExp[] }>({
  expectedErrors: [[], { option: true }],
  page: async ({ page, expectedErrors, baseURL }, use) => {
    const faults = await faultsOf(page, baseURL ?? "", expectedErrors);
    await use(page);
    expect(faults).toEqual([]);
  },
});

export { expect };

const COURSE = "/courses/reading-rivers";

/** Opens a place of the application and waits until it is alive. */
export async function open(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await page.locator("html[data-ready]").waitFor();
}

/** The router as it puts itself into the page. */
interface WithRouter {
  readonly __reactRouterDataRouter: {
    navigate(to: string): Promise<void>;
    readonly state: {
      readonly location: { readonly pathname: string; readonly search: string };
      /** Where it is on its way to, if it is. */
      readonly navigation: { readonly location?: { readonly pathname: string } };
    };
  };
}

/** Goes on to another place in the application that is open, as a link does, and waits until it is drawn. */
export async function goTo(page: Page, path: string): Promise<void> {
  const arrived = await page.evaluate(async (to) => {
    const router = (window as unknown as WithRouter).__reactRouterDataRouter;
    await router.navigate(to);
    return router.state.location.pathname + router.state.location.search;
  }, path);
  await page.locator(`html[data-ready="${arrived}"]`).waitFor();
}

/**
 * Opens the application for the first time, with the demo course, and goes on to a place of that course as soon as there is
 * one: its board, which the application would show first, is drawn only where it is asked for.
 */
export async function openDemo(page: Page, place = ""): Promise<void> {
  if (place === "") {
    await open(page, "/");
    await expect(page.getByRole("heading", { level: 1, name: "Reading Rivers: Field Hydrology" })).toBeVisible();
    return;
  }
  await page.goto("/", { waitUntil: "commit" });
  await page.waitForFunction((course) => {
    const state = (window as unknown as Partial<WithRouter>).__reactRouterDataRouter?.state;
    return state && (state.navigation.location ?? state.location).pathname === course;
  }, COURSE);
  await goTo(page, COURSE + place);
}

/** Waits until the page is still: nothing in it has changed for a while. */
export const still = (page: Page): Promise<void> =>
  page.evaluate(
    (quiet) =>
      new Promise((resolve) => {
        const end = () => {
          observer.disconnect();
          resolve();
        };
        let timer = setTimeout(end, quiet);
        const observer = new MutationObserver(() => {
          clearTimeout(timer);
          timer = setTimeout(end, quiet);
        });
        observer.observe(document, { subtree: true, childList: true, attributes: true, characterData: true });
      }),
    300,
  );

/** Waits until every change is durable. */
export const allKept = (page: Page) => expect(page.locator('[data-keeping="kept"]')).toBeVisible();

export const ruler = (page: Page, name: string) => page.getByRole("slider", { name });

/** Takes up a passage of the work by its words, with the keyboard. */
export async function takeUp(page: Page, words: string): Promise<void> {
  await page.keyboard.press("/");
  await page.keyboard.type(words);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("toolbar", { name: "For this passage" })).toBeVisible();
}

export const margin = (page: Page) => page.getByRole("list", { name: "Notes in the margin" });
export const cell = (page: Page, assignment: string, student: string) =>
  page.getByRole("gridcell", { name: new RegExp(`^${assignment}, ${student}:`) });

/** What stands in a field for a comment: in the plain field, or in the editor that comes in its place. */
export const writtenIn = (field: Locator): Promise<string> =>
  field.evaluate((element) =>
    element instanceof HTMLTextAreaElement
      ? element.value
      : [...element.children].map((block) => block.textContent).join("\n\n"),
  );

/** Waits until a field for a comment holds this. */
export const expectWritten = async (field: Locator, text: string | RegExp): Promise<void> => {
  await expect.poll(() => writtenIn(field)).toMatch(typeof text === "string" ? new RegExp(`^${literal(text)}$`) : text);
};
const literal = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");
