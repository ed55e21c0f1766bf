import { readFileSync } from "node:fs";
import { chromium } from "@playwright/test";

/** What the page saw: median time of a run in the worker, and the longest wait between two frames, in milliseconds. */
export interface InWorker {
  readonly compute: number;
  readonly longestFrame: number;
}

/** Runs the whole-course computation in a web worker of Debian's Chromium while the page counts its frames. */
export async function computeInWorker(students: number, assignments: number): Promise<InWorker> {
  const script = readFileSync(new URL("worker.js", import.meta.url), "utf8");
  const browser = await chromium.launch({
    executablePath: "/usr/bin/chromium",
    args: ["--no-sandbox", "--disable-gpu"],
  });
  try {
    const page = await browser.newPage();
    return await page.evaluate(
      async ([source, size]) => {
        const worker = new Worker(URL.createObjectURL(new Blob([source], { type: "text/javascript" })));
        let longestFrame = 0;
        let last = performance.now();
        let watching = true;
        const frame = () => {
          const now = performance.now();
          longestFrame = Math.max(longestFrame, now - last);
          last = now;
          if (watching) requestAnimationFrame(frame);
        };
        requestAnimationFrame(frame);
        const times = await new Promise<number[]>((resolve) => {
          worker.onmessage = ({ data }: MessageEvent<number[]>) => {
            resolve(data);
          };
          worker.postMessage(size);
        });
        watching = false;
        times.sort((a, b) => a - b);
        return { compute: times[Math.floor(times.length / 2)] ?? 0, longestFrame };
      },
      [script, { students, assignments, rounds: 15 }] as const,
    );
  } finally {
    await browser.close();
  }
}
