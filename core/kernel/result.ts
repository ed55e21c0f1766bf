/** What may rightly fail returns one of these; only a programmer's error throws. */
export type Result<T, E> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly issue: E };

/** An answer that came out. */
export const ok = <T>(value: T): { readonly ok: true; readonly value: T } => ({ ok: true, value });

/** A refusal with its issue as data; the screen makes the sentence. */
export const refuse = <E>(issue: E): { readonly ok: false; readonly issue: E } => ({ ok: false, issue });
