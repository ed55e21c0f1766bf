import { expose } from "comlink";
import { matchPieces } from "#core/collect";
import { readDropped } from "./collect/read-dropped";
import type { CollectJobs } from "./protocol";

const jobs: CollectJobs = {
  read: async (files, tell) => {
    const { ofPdf } = await import("./collect/pdf-beginning");
    await readDropped(files, tell, ofPdf);
  },
  cut: async (pile, pages) => (await import("./collect/cut-pile")).cutPile(pile, pages),
  match: ({ pieces, students, groups, decided, title }) =>
    Promise.resolve(matchPieces(pieces, { students, decided, title, groupOf: (id) => groups.get(id) ?? null })),
};

expose(jobs);
