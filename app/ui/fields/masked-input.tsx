import type { ComponentProps } from "react";

/**
 * A field for the passphrase of a course, masked unless `shown`. It is no password field to the browser, which would offer
 * to keep what is typed, with the name that stands beside it, in its own store.
 */
export function MaskedInput({
  shown = false,
  className = "",
  ...own
}: ComponentProps<"input"> & { readonly shown?: boolean }) {
  return (
    <input
      {...own}
      type="text"
      autoComplete="off"
      autoCapitalize="off"
      spellCheck={false}
      maxLength={1_000}
      className={`field ${shown ? "" : "masked"} ${className}`}
    />
  );
}
