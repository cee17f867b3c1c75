import { EARLY } from './early';
import { DOUBTFUL } from './doubtful';
import { IN_VAIN_CASES } from './inVain';
import { LATE } from './late';
import { SEVERAL } from './several';
import { SOMETIMES } from './sometimes';
import { TOLD } from './told';
import { TRADE } from './trade';
import type { BenchCase } from './benchCase';

export { caseOfBench, type BenchCase, type Expected } from './benchCase';
export { shortOf } from './judge';

/** The project's own casebook: bench cases written before the engine was asked. */
export const CASEBOOK: readonly BenchCase[] = [
  ...EARLY,
  ...LATE,
  ...DOUBTFUL,
  ...SEVERAL,
  ...IN_VAIN_CASES,
  ...TRADE,
  ...TOLD,
  ...SOMETIMES,
];
