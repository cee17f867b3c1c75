import { readFileSync } from 'node:fs';
import {
  CAUSE_IDS,
  CHECKS,
  COMPLAINT_IDS,
  OUTCOMES,
  PART_IDS,
  PRIOR_WORK_IDS,
  REMEDY_IDS,
  SAID_BY,
  SAID_EFFECTS,
  SURENESS,
} from '@rusty-wren/core/knowledge';
import { diagnose } from '@rusty-wren/core/diagnosis';
import { MACHINE_KINDS } from '@rusty-wren/core/machine';
import { caseFromFile, CaseFileError, caseReport, parseCaseFile, type CaseFile } from '@rusty-wren/contract';

const files = process.argv.slice(2);

function stop(message: string): never {
  process.stderr.write(`${message}\n`);
  process.exit(2);
}

function read(file: string): CaseFile {
  try {
    return parseCaseFile(readFileSync(file, 'utf8'));
  } catch (error) {
    if (error instanceof CaseFileError) return stop(`${file}: ${error.message}`);
    return stop(`${file}: cannot be read (${(error as Error).message})`);
  }
}

if (files.includes('--vocabulary')) {
  const vocabulary = {
    kinds: MACHINE_KINDS,
    complaints: COMPLAINT_IDS,
    causes: CAUSE_IDS,
    checks: Object.fromEntries(CHECKS.map((check) => [check.id, check.results.map((r) => r.id)])),
    parts: PART_IDS,
    sureness: SURENESS,
    outcomes: OUTCOMES,
    remedies: REMEDY_IDS,
    priorWork: PRIOR_WORK_IDS,
    saidBy: SAID_BY,
    saidEffects: SAID_EFFECTS,
  };
  process.stdout.write(`${JSON.stringify(vocabulary)}\n`);
} else if (files.length === 0) {
  stop('usage: npm run -s diagnose -- FILE... | --vocabulary');
} else {
  // All are read before any is answered: a bad file changes nothing and prints nothing.
  for (const parsed of files.map(read)) {
    const { case: c, refused } = caseFromFile(parsed);
    process.stdout.write(`${JSON.stringify(caseReport(c, diagnose(c), refused))}\n`);
  }
}
