/** What a letter to students may name in braces, such as `{given}`. */
export const MERGE_FIELDS = ["given", "name", "number", "course", "assignment", "due", "score", "total"] as const;
/** A field of a letter. */
export type MergeField = (typeof MERGE_FIELDS)[number];
/** What the fields come to for one student; a field that is left out is not known for them. */
export type MergeValues = Readonly<Partial<Record<MergeField, string>>>;

/** A letter filled in for one student, with the fields that could not be. */
export interface Merged {
  readonly text: string;
  /** Fields in braces that are no fields at all, or have nothing for this student; each once. */
  readonly lacking: readonly string[];
}

const FIELD = /\{([a-z]{1,20})\}/g;

/** Fills the fields of a text. What cannot be filled stays as it is written, so that it is seen. */
export function mergeFields(text: string, values: MergeValues): Merged {
  const lacking = new Set<string>();
  const filled = text.replace(FIELD, (written, field: string) => {
    // A field is one of ours or none: `constructor` is a name that every object has.
    const value = Object.hasOwn(values, field) ? values[field as MergeField] : undefined;
    if (value !== undefined && value !== "") return value;
    lacking.add(field);
    return written;
  });
  return { text: filled, lacking: [...lacking] };
}
