import { expose } from "comlink";
import type { PageJobs } from "./protocol";

// What reads a kind of document is loaded when one comes: a worker that is still loading hears nothing.
const jobs: PageJobs = {
  open: async (kind, bytes, mediaType) => {
    switch (kind) {
      case "word":
        return (await import("./pages/word")).openWord(bytes);
      case "openText":
        return (await import("./pages/open-text")).openOpenText(bytes);
      case "code":
        return (await import("./pages/code")).openCode(bytes, mediaType);
      case "notebook":
        return (await import("./pages/notebook")).openNotebook(bytes);
      case "sheet":
        return (await import("./pages/spreadsheet")).openSpreadsheet(bytes, mediaType);
      case "tiff":
        return (await import("./pages/tiff")).openTiff(bytes);
      case "markdown":
        return (await import("./pages/web-page")).openMarkdown(bytes);
      case "webPage":
        return (await import("./pages/web-page")).openWebPage(bytes);
    }
  },
};

expose(jobs);
