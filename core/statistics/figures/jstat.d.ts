/** What is used of jStat (MIT), which ships without types: distribution functions. */
declare module "jstat" {
  export const jStat: {
    readonly centralF: { readonly cdf: (x: number, between: number, within: number) => number };
  };
}
