import { computedPlan, minutesUnder, optimalMinutes, SMALL_NETWORKS } from '@rusty-wren/core/proving';

/** The plan's expected minutes on small networks beside the least possible, both exact. */
export function smallNetworks(): void {
  console.log('\nSmall networks: the plan against the exact optimum (aim: within 10 %)');
  for (const network of SMALL_NETWORKS) {
    const best = optimalMinutes(network);
    const planned = minutesUnder(network, computedPlan);
    console.log(
      `  ${network.complaint.padEnd(20)} least ${best.toFixed(1)} min   plan ${planned.toFixed(1)} min   ${(100 * (planned / best - 1)).toFixed(1)} % over`,
    );
  }
}
