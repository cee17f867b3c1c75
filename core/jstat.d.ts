/** The little of the statistics package that is used; it ships no types. */
declare module 'jstat' {
  const jstat: {
    studentt: { inv: (probability: number, degreesOfFreedom: number) => number };
    binomial: { cdf: (most: number, tries: number, probability: number) => number };
    /** Logarithm of the beta function. */
    betaln: (a: number, b: number) => number;
    poisson: { cdf: (most: number, mean: number) => number };
    median: (values: readonly number[]) => number;
    mean: (values: readonly number[]) => number;
    /** `ofSample`: over one fewer than there are. */
    stdev: (values: readonly number[], ofSample: boolean) => number;
  };
  export default jstat;
}
