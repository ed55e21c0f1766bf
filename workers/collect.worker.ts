import { expose } from "comlink";
import { matchPieces } from "#core/collect";
import { readDropped } from "./collect/read-dropped";
import type { CollectJobs } from "./protocol";

const jobs: CollectJobs = {
  read: async (files, tell) => {
    const { ofPdf } = await import("./collect/pdf-beginning");
    await readDropped(files, tell, ofPdf);
  },
  look: async (files, tell) => (await import("./collect/scan/look-at-scan")).lookAtScan(files, tell),
  asPile: async (pictures) => (await import("./collect/scan/pile-of-images")).pileOfImages(pictures),
  unlock: async (pdf, password) => (await import("./collect/unlock")).unlockPdf(pdf, password),
  madeUp: async (papers) => (await import("./collect/scan/made-up-scan")).madeUpScan(papers),
  cut: async (pile, papers) => (await import("./collect/cut-pile")).cutPile(pile, papers),
  match: ({ pieces, groups, ...ground }) =>
    Promise.resolve(matchPieces(pieces, { ...ground, groupOf: (id) => groups.get(id) ?? null })),
};

expose(jobs);
