import { checkOf, type CheckId } from '../knowledge';

/** What must be right before a screw is turned for good: a matter, and the checks that speak for it with their good results. */
interface Matter {
  name: string;
  checks: readonly (readonly [check: CheckId, good: readonly string[]])[];
}

const MATTERS: readonly Matter[] = [
  {
    name: 'Fuel',
    checks: [
      ['fuel-smell', ['fresh']],
      ['fuel-look', ['clear-dyed']],
      ['fresh-fuel-trial', ['no-change', 'better', 'cured']],
    ],
  },
  { name: 'Air filter', checks: [['air-filter-look', ['clean']]] },
  {
    name: 'Plug',
    checks: [
      ['plug-look', ['tan-dry', 'black-dry']],
      ['new-plug-trial', ['no-change', 'cured']],
    ],
  },
  { name: 'Spark screen', checks: [['spark-screen-look', ['clear']]] },
  { name: 'Squeeze', checks: [['compression-gauge', ['good', 'marginal']]] },
  {
    name: 'Leaks',
    checks: [
      ['crankcase-pressure', ['holds']],
      ['crankcase-vacuum', ['holds']],
      ['intake-boot', ['sound']],
      ['line-pressure', ['holds']],
      ['inlet-pressure', ['holds']],
    ],
  },
];

export interface GateMatter {
  name: string;
  /** Right by a finding, wrong by one, or not looked at. */
  state: 'right' | 'wrong' | 'unknown';
  /** The check that says so, or the one to make. */
  check: CheckId;
  says: string;
}

/**
 * What stands before tuning, by the job's own findings: a matter is wrong when any of its checks last came out badly and no
 * repair came after it, right when one came out well, otherwise unknown.
 */
export function tuningGate(
  findings: readonly { check: CheckId; result: string | null; overtaken?: boolean }[],
): GateMatter[] {
  return MATTERS.map(({ name, checks }): GateMatter => {
    const made = checks.flatMap(([check, good]) =>
      findings
        .filter((f) => f.check === check && f.result !== null && !f.overtaken)
        .map((f) => ({ check, ok: good.includes(f.result ?? ''), result: f.result ?? '' })),
    );
    const bad = made.find((m) => !m.ok);
    const told = bad ?? made[0];
    const check = told?.check ?? checks[0]![0];
    const label = told && checkOf(told.check).results.find((r) => r.id === told.result)?.label;
    return {
      name,
      state: bad ? 'wrong' : told ? 'right' : 'unknown',
      check,
      says: told ? `${checkOf(check).name}: ${label}` : `${checkOf(check).name}: not done`,
    };
  });
}
