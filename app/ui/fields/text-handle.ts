/** What others may ask of a field of text, whichever part stands there. */
export interface TextHandle {
  readonly focus: () => void;
}
