/** The report of the journeys, as far as it is read. */
interface Report {
  readonly suites?: readonly unknown[];
  readonly errors?: readonly { readonly message?: string }[];
}

export declare function short(words?: string): string;
export declare function readJourneys(report: Report): {
  readonly passed: number;
  readonly said: readonly string[];
  readonly acts: readonly string[];
};
