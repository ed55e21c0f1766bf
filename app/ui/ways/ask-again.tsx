import { createContext, type ReactNode } from "react";
import { useRevalidator } from "react-router";

/** Asks the loaders of what is shown again. */
export const AskAgainContext = createContext<() => Promise<void>>(() => Promise.resolve());

/**
 * Gives the asking to every page. The router's own hook would draw whoever holds it anew with every step of every way, which
 * is a whole page each time.
 */
export function AskAgain({ children }: { readonly children: ReactNode }) {
  return <AskAgainContext value={useRevalidator().revalidate}>{children}</AskAgainContext>;
}
