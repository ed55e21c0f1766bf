import { expose } from "comlink";
import type { PageJobs } from "./protocol";

// What reads a kind of document is loaded when one comes: a worker that is still loading hears nothing.
const jobs: PageJobs = {
  open: async (kind, bytes) => {
    if (kind === "word") return (await import("./pages/word")).openWord(bytes);
    const { openMarkdown, openWebPage } = await import("./pages/web-page");
    return kind === "markdown" ? openMarkdown(bytes) : openWebPage(bytes);
  },
};

expose(jobs);
