/** One line of a table of times: median and 95th percentile of sorted milliseconds. */
export function timesLine(name: string, sorted: readonly number[]): string {
  const at = (share: number): string => (sorted[Math.floor(sorted.length * share)] ?? NaN).toFixed(1);
  return `  ${name.padEnd(60)} median ${at(0.5)} ms   p95 ${at(0.95)} ms`;
}
