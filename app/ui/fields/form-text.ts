/** The text of a form's field, spaces at its ends taken off; empty where there is none. */
export function formText(fields: FormData, name: string): string {
  const value = fields.get(name);
  return typeof value === "string" ? value.trim() : "";
}
