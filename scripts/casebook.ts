import { CASEBOOK, shortOf } from '@rusty-wren/core/proving';

// The project's own bench cases: where the engine falls short of what a good technician expects.
let held = 0;
for (const bench of CASEBOOK) {
  const short = shortOf(bench);
  if (short.length === 0) held++;
  else process.stdout.write(`${bench.title}\n    ${short.join('\n    ')}\n`);
}
process.stdout.write(`${held} of ${CASEBOOK.length} cases hold\n`);
process.exit(held === CASEBOOK.length ? 0 : 1);
