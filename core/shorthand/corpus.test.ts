import { describe, expect, it } from 'vitest';
import { partOf, type PartId } from '../knowledge';
import { CORPUS } from './corpus';
import type { Noted } from '../log';
import { readShorthand, type Understood } from './index';

const atHand = (off: readonly PartId[]) => ({ off: off.map((part) => ({ part, name: partOf(part).name })) });

function meaning(w: Noted): string {
  switch (w.kind) {
    case 'finding': {
      const { check, result, reading, sureness, pulls } = w.body;
      const mark = { sure: '', fair: ' ~', doubtful: ' ?' }[sureness];
      if (check === 'screw-turns' && reading?.turns)
        return Object.entries(reading.turns)
          .sort(([x], [y]) => y.localeCompare(x))
          .map(([screw, turns]) => `${screw} ${turns}`)
          .join(' ');
      const figures = (['psi', 'mm', 'rpm'] as const).flatMap((k) =>
        reading?.[k] ? [`${k} ${reading[k].join(' ')}`] : [],
      );
      const valve = reading?.decompressor ? ` ${reading.decompressor}` : '';
      return `${check} ${result ?? figures.join(' ')}${valve}${pulls === undefined ? '' : ` after ${pulls}`}${mark}`;
    }
    case 'took-off':
    case 'put-back': {
      const verb = w.kind === 'took-off' ? 'off' : 'on';
      if ('layer' in w.body) return `${verb} ${w.body.layer}`;
      return 'part' in w.body ? `${verb} ${w.body.part}` : `${verb} thing ${w.body.thing}`;
    }
    case 'screw':
      return `turn ${w.body.screw} ${w.body.eighths}`;
    case 'start':
      return `start ${w.body.state} ${w.body.pulls} ${w.body.outcome}`;
    case 'said-done': {
      const { work, by, monthsAgo, effect } = w.body;
      return ['said', work, by, monthsAgo, effect].filter((x) => x !== undefined).join(' ');
    }
    case 'note':
      return `note ${w.body.text}`;
    default:
      return w.kind;
  }
}
const meaningOf = (u: Understood): string => (u.ok ? u.entries.map(meaning).join('; ') : 'ask');
/** L before H, as the meaning is written. */
const ordered = (means: string): string =>
  /^[LH] /.test(means) ? (means.match(/[LH] [\d.]+/g) ?? []).sort().reverse().join(' ') : means;

const read = CORPUS.map(([line, means, off = []]) => {
  const got = meaningOf(readShorthand(line, atHand(off)));
  return { line, means: ordered(means), got };
});

describe('lines as people type them', () => {
  it('are at least a hundred and fifty', () => {
    expect(CORPUS.length).toBeGreaterThanOrEqual(150);
  });

  it('are understood rightly, nearly all', () => {
    const right = read.filter(({ means, got }) => means === got);
    expect(right.length / read.length).toBeGreaterThanOrEqual(0.95);
  });

  it('are never logged as something else', () => {
    expect(read.filter(({ means, got }) => got !== 'ask' && got !== means)).toEqual([]);
  });
});
