import { workKindOf, type WorkFile } from "#core/model";

/** Whether a work has pages of its own, of which parts can be shown by themselves. */
export const hasPages = (file: Pick<WorkFile, "mediaType">): boolean => ["pdf", "image"].includes(workKindOf(file));
