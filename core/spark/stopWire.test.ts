import { describe, expect, it } from 'vitest';
import { resultOf } from '../knowledge';
import { followStopWire, STOP_WIRE, type StopWireOutcome, type StopWireStep } from './index';

const outcomes = (at: StopWireStep | StopWireOutcome): StopWireOutcome[] =>
  'does' in at ? [...outcomes(at.spark), ...outcomes(at.none)] : [at];

/** A coil, a wire and a switch, each sound or not: what a tester would show at each step of the sequence. */
function bench(fault: 'none' | 'coil' | 'wire-shorted' | 'switch-shorted' | 'wire-open' | 'switch-open') {
  return (does: string): boolean => {
    if (fault === 'coil') return false;
    const offCoil = does.startsWith('Pull the stop wire off');
    const unplugged = /[Uu]nplug/.test(does);
    const earthed = does.includes('bare metal');
    if (offCoil) return true;
    if (fault === 'wire-shorted') return false;
    if (fault === 'switch-shorted') return unplugged;
    if (fault === 'wire-open') return true;
    if (earthed) return false;
    return does.startsWith('Switch to stop') ? fault === 'switch-open' : true;
  };
}

function played(fault: Parameters<typeof bench>[0]): StopWireOutcome {
  const shows = bench(fault);
  const answers: boolean[] = [];
  let at = followStopWire(answers);
  while ('does' in at) {
    answers.push(shows(at.does));
    at = followStopWire(answers);
  }
  return at;
}

describe('the stop-wire sequence', () => {
  it.each([
    ['none', 'The stop circuit is right'],
    ['coil', 'Not the stop circuit'],
    ['wire-shorted', 'The stop wire is shorted'],
    ['switch-shorted', 'The switch is shorted'],
    ['wire-open', 'The stop wire is broken'],
    ['switch-open', 'The switch does not close'],
  ] as const)('finds %s', (fault, says) => {
    expect(played(fault).says).toBe(says);
  });

  it('ends every branch in findings the checks can have', () => {
    const all = outcomes(STOP_WIRE);
    expect(new Set(all.map((o) => o.says)).size).toBe(6);
    for (const { check, result } of all.flatMap((o) => o.findings))
      expect(resultOf(check, result), `${check} ${result}`).toBeDefined();
  });

  it('stays at its outcome whatever is answered after', () => {
    expect(followStopWire([false, false, true, true])).toBe(followStopWire([false, false]));
  });
});
