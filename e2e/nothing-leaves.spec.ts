import { cell, expect, open, openDemo, takeUp, alone as test } from "./helpers";

test("no request carries course data: once the page is there, work makes no request at all but for shipped files", async ({
  page,
}) => {
  await openDemo(page, "/score/flood-memo/ilse-tarnowe");
  const requests: string[] = [];
  page.on("request", (request) => {
    if (!/^(blob|data):/.test(request.url())) requests.push(`${request.method()} ${new URL(request.url()).pathname}`);
    expect(request.postData()).toBeNull();
  });
  await page.keyboard.press("2");
  await takeUp(page, "the town is safe until 2078");
  await page.keyboard.press("n");
  await page.keyboard.type("Words about Ilse that stay here.");
  await page.keyboard.press("Control+Enter");
  await page.keyboard.press("Alt+ArrowRight");
  await expect(page.getByRole("heading", { level: 1, name: "Jorun Nakade" })).toBeVisible();
  await page.getByRole("link", { name: "Gradebook" }).click();
  await page.getByRole("searchbox", { name: "Find a student" }).fill("tarnowe");
  await expect(page.getByRole("row", { name: /Tarnowe/ })).toBeVisible();
  await cell(page, "Question paper 1", "Ilse Tarnowe").click();
  await page.keyboard.type("44");
  await page.keyboard.press("Enter");
  await page.getByRole("link", { name: /^Release/ }).click();
  await page.getByRole("button", { name: /^Release to/ }).click();
  await page.getByRole("link", { name: "Files" }).click();
  const saving = page.waitForEvent("download");
  await page.getByRole("button", { name: "Make a course file" }).click();
  await saving;
  const shipped = /^GET \/(assets\/|pdfjs\/|quill\.svg$)/;
  expect(requests.filter((request) => !shipped.test(request))).toEqual([]);
});

test("what is looked for stays in the address across a reload, and is not sent", async ({ page, baseURL }) => {
  await openDemo(page, "/gradebook");
  await page.getByRole("searchbox", { name: "Find a student" }).fill("ta");
  await expect(page.getByRole("row", { name: /^Ilse Tarnowe/ })).toBeVisible();
  await expect(page).toHaveURL(/#find=ta$/);
  const asked: string[] = [];
  page.on("request", (request) => {
    if (request.isNavigationRequest()) asked.push(request.url());
  });
  await page.reload();
  await expect(page.getByRole("searchbox", { name: "Find a student" })).toHaveValue("ta");
  await expect(page.getByRole("row", { name: /^Hano Abeyra/ })).toHaveCount(0);
  expect(asked).toEqual([`${baseURL ?? ""}/courses/reading-rivers/gradebook`]);
});

test("the shell is served with a strict policy and the page breaks none of it", async ({ page }) => {
  const answer = await page.goto("/");
  const policy = answer?.headers()["content-security-policy"] ?? "";
  expect(policy).toContain("default-src 'none'");
  expect(policy).not.toMatch(/'unsafe-(inline|eval)'/);
  await open(page, "/");
  // Any breach would be an error in the console, which the fixture refuses.
  await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
});
