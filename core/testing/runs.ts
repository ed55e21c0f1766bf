/** How many cases are wished for: a number in mutation testing, "all" for a thorough run. */
const wish = (globalThis as { readonly process?: { readonly env: Readonly<Record<string, string | undefined>> } })
  .process?.env["PROPERTY_RUNS"];

/**
 * How many cases a property tries: `each` at every run of the tests, `all` in a thorough one, or fewer under mutation
 * testing, which runs every property hundreds of times over. A run tries the same cases each time, so that many of them
 * tell something after a change of what they are about, and little after any other.
 */
export function runs(all: number, each = all): number {
  if (wish === undefined) return each;
  return wish === "all" ? all : Math.min(each, Number(wish));
}
