/** The slot that a course of this name would like: its letters and figures, in small letters. */
export function slotWish(title: string): string {
  const plain = title
    .normalize("NFD")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "");
  return plain || "course";
}
