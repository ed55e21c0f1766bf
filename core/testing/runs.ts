/** Set by the mutation tests, which run every property hundreds of times over. */
const limit = (globalThis as { readonly process?: { readonly env: Readonly<Record<string, string | undefined>> } })
  .process?.env["PROPERTY_RUNS"];

/** How many cases a property tries: as many as it asks for, or fewer under mutation testing. */
export const runs = (wished: number): number => Math.min(wished, Number(limit ?? wished));
