import { inApplication } from "./in-application";
import { readInLargeCourse } from "./large-course-read-in";

/**
 * Milliseconds in Debian's Chromium from choosing an assignment that was judged by a rubric of eight criteria until its
 * spread and its criteria stand in a picture. Both ends are read in the page.
 */
export function measureCheckView(students: number, assignments: number): Promise<number> {
  return inApplication(async (page) => {
    await readInLargeCourse(page, students, assignments, true);
    await page.getByRole("link", { name: /^Check/ }).click();
    const choice = page.getByLabel("Assignment that is checked");
    // Another assignment first: the room itself and its charts have come by then.
    // A list of 120 is drawn when it is come to.
    await choice.focus();
    await choice.selectOption({ label: "Work 2" });
    await page.getByRole("img", { name: "Spread of Work 2" }).waitFor();
    // What looks odd of it is worked out in the first seconds, stretch by stretch; it is no part of what is measured.
    await page.waitForTimeout(4_000);
    const drawn = page.evaluate(
      () =>
        new Promise<number>((resolve) => {
          let start = 0;
          document.addEventListener("change", () => (start = performance.now()), true);
          const look = () => {
            const isDrawn =
              document.querySelector('[aria-label="Spread of Work 1"] :is(canvas, svg)') &&
              document.querySelector('section[aria-label="Criteria"] table');
            if (isDrawn)
              setTimeout(() => {
                resolve(performance.now() - start);
              });
            else requestAnimationFrame(look);
          };
          look();
        }),
    );
    await choice.selectOption({ label: "Work 1" });
    return await drawn;
  }, 180_000);
}
