import type { Course } from "#core/model";

/** The slot that a course or a packet would like. */
export const slotFor = ({ packet, shortTitle }: Course): string => (packet ? "packet-" : "") + slotWish(shortTitle);

/** The slot that a course of this name would like: its letters and figures, in small letters. */
export function slotWish(title: string): string {
  const plain = title
    .normalize("NFD")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "");
  return plain || "course";
}
