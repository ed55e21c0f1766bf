import { expect, test as base, type BrowserContextOptions, type Locator, type Page } from "@playwright/test";
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

/** A journey in a window of its own, whose faults fail it. Errors it brings about itself are listed in `expectedErrors`. */
export const alone = base.extend<{ readonly expectedErrors: RegExp[] }>({
  expectedErrors: [[], { option: true }],
  page: async ({ page, expectedErrors, baseURL }, use) => {
    const faults = await faultsOf(page, baseURL ?? "", expectedErrors);
    await use(page);
    expect(faults).toEqual([]);
  },
});

/** A page that stays open from one journey to the next of the same file. */
interface KeptPage {
  file: string;
  page: Page | null;
  faults: string[];
  readonly expectedErrors: RegExp[];
}

/**
 * Journeys of one file in one page, one after the other. Before each, the courses of the one before are deleted and what
 * was remembered beside them is forgotten, and its demo course begins anew; opening the application anew takes half of the
 * time of most. Where a journey fails, the next begins with another page. What changes the page for good, such as its clock
 * or scripts put into it, and what is about a first visit is `alone`.
 */
export const test = alone.extend<object, { readonly kept: KeptPage }>({
  kept: [
    // oxlint-disable-next-line no-empty-pattern -- the runner reads from it what a fixture needs
    async ({}, use) => {
      const kept: KeptPage = { file: "", page: null, faults: [], expectedErrors: [] };
      await use(kept);
      await kept.page?.context().close();
    },
    { scope: "worker" },
  ],
  page: async ({ kept, browser, baseURL, expectedErrors, viewport }, use, { file, project }) => {
    kept.expectedErrors.splice(0, Infinity, ...expectedErrors);
    if (kept.file !== file || kept.page === null || !(await isMadeEmpty(kept.page, viewport))) {
      await kept.page?.context().close();
      kept.page = await (await browser.newContext(project.use as BrowserContextOptions)).newPage();
      kept.faults = await faultsOf(kept.page, baseURL ?? "", kept.expectedErrors);
      kept.file = file;
    }
    await use(kept.page);
    expect(kept.faults.splice(0)).toEqual([]);
  },
  context: async ({ page }, use) => {
    await use(page.context());
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
    navigate(to: string, form?: { readonly formMethod: "post"; readonly formData: FormData }): Promise<void>;
    readonly state: {
      readonly location: { readonly pathname: string; readonly search: string };
      /** Where it is on its way to, if it is. */
      readonly navigation: { readonly location?: { readonly pathname: string } };
      readonly loaderData: Readonly<Record<string, unknown>>;
    };
  };
}

/**
 * Asks the list of courses for the demo, as its form does, where there is no course; does not wait for it. Answers whether
 * it asked.
 */
const startDemo = (): boolean => {
  const router = (window as unknown as WithRouter).__reactRouterDataRouter;
  const list = router.state.loaderData["routes/courses/page"] as { courses: unknown[] } | undefined;
  if (list?.courses.length !== 0) return false;
  const formData = new FormData();
  formData.set("start", "demo");
  void router.navigate("/courses", { formMethod: "post", formData });
  return true;
};

/** What the application remembers beside its courses (`app/course/choices.ts`). */
const REMEMBERED = "light last-course marker-name desk-layout margin-width desk-hand pile-order names-hidden".split(
  " ",
);

interface CourseList {
  readonly courses: readonly { readonly slot: string }[];
  readonly repository: { remember(name: string, value: unknown): Promise<void> };
}

/**
 * Deletes every course, as the list of courses does, and lets what is remembered be forgotten. Answers whether the page let
 * itself be brought there.
 */
const forgetAll = async (remembered: readonly string[]): Promise<boolean> => {
  const router = (window as unknown as WithRouter).__reactRouterDataRouter;
  await router.navigate("/courses");
  const list = router.state.loaderData["routes/courses/page"] as CourseList | undefined;
  if (!list) return false;
  for (const { slot } of list.courses) {
    const formData = new FormData();
    formData.set("does", "delete");
    formData.set("slot", slot);
    await router.navigate("/courses", { formMethod: "post", formData });
  }
  for (const name of remembered) await list.repository.remember(name, null);
  return true;
};

/** Takes away what a journey left in a page; answers no where that cannot be, such as in one that was closed or crashed. */
async function isMadeEmpty(page: Page, viewport: ReturnType<Page["viewportSize"]>) {
  const context = page.context();
  try {
    for (const other of context.pages()) if (other !== page) await other.close();
    await context.clearPermissions();
    await page.unrouteAll();
    await page.mouse.move(0, 0);
    if (viewport) await page.setViewportSize(viewport);
    return await page.evaluate(forgetAll, REMEMBERED);
  } catch {
    return false;
  }
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
 * Opens the application with the demo course, and goes on to a place of it as soon as there is one: its board, which the
 * application would show first, is drawn only where it is asked for.
 */
export async function openDemo(page: Page, place = ""): Promise<void> {
  const isFirst = page.url() === "about:blank";
  if (isFirst) await page.goto("/", { waitUntil: "commit" });
  if (isFirst || (await page.evaluate(startDemo))) {
    await page.waitForFunction((course) => {
      const state = (window as unknown as Partial<WithRouter>).__reactRouterDataRouter?.state;
      return state && (state.navigation.location ?? state.location).pathname === course;
    }, COURSE);
  }
  if (place !== "" || !isFirst) await goTo(page, COURSE + place);
  if (place === "") {
    await page.locator(`html[data-ready="${COURSE}"]`).waitFor();
    await expect(page.getByRole("heading", { level: 1, name: "Reading Rivers: Field Hydrology" })).toBeVisible();
  }
}

/** Does something in a page as on a machine six times as slow, where the hand is faster than the page. */
export async function slowed(page: Page, act: () => Promise<void>): Promise<void> {
  const browser = await page.context().newCDPSession(page);
  await browser.send("Emulation.setCPUThrottlingRate", { rate: 6 });
  await act();
  await browser.send("Emulation.setCPUThrottlingRate", { rate: 1 });
  await browser.detach();
}

/** Pastes a block of cells where the focus is, as a spreadsheet hands it over. */
export const paste = (page: Page, block: string): Promise<void> =>
  page.evaluate((text) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData("text/plain", text);
    document.activeElement?.dispatchEvent(
      new ClipboardEvent("paste", { clipboardData, bubbles: true, cancelable: true }),
    );
  }, block);

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
