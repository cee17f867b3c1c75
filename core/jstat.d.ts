/** The little of the statistics package that is used; it ships no types. */
declare module 'jstat' {
  const jstat: {
    studentt: { inv: (probability: number, degreesOfFreedom: number) => number };
    poisson: { cdf: (most: number, mean: number) => number };
    median: (values: readonly number[]) => number;
  };
  export default jstat;
}
