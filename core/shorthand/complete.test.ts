import { describe, expect, it } from 'vitest';
import { CHECKS, PARTS, partOf } from '../knowledge';
import { completions, FORMS, readShorthand } from './index';

const lines = (...args: Parameters<typeof completions>): string[] => completions(...args).map((c) => c.line);
const labels = (...args: Parameters<typeof completions>): string[] =>
  completions(...args).map((c) => c.label);

describe('what a line may become', () => {
  it('offers checks by the start of any of their names, the shortest first', () => {
    expect(lines('limi')).toEqual(['limiter caps ']);
    expect(labels('spar').length).toBeGreaterThan(1);
    expect(lines('x')).toEqual([]);
    expect(lines('  ')).toEqual([]);
  });

  it('offers the results of a check that is named, as far as they are written', () => {
    expect(lines('plug wh')).toEqual(['plug white']);
    expect(lines('limiter caps ')).toEqual([
      'limiter caps present',
      'limiter caps missing',
      'limiter caps none fitted',
    ]);
  });

  it('offers to take off what is on, and to put back what is off', () => {
    const off = [{ part: 'recoil', name: partOf('recoil').name }] as const;
    expect(lines('off re', { off })).toEqual([]);
    expect(lines('on re', { off })).toEqual(['on recoil starter']);
    expect(lines('off reco')).toEqual(['off recoil starter']);
  });

  it('finishes the last clause and leaves the ones before it', () => {
    expect(lines('smell stale; plug wh')).toEqual(['smell stale; plug white']);
    expect(lines('note plug wh')).toEqual([]);
  });

  it('never offers more than five, and every finished result is understood as what it says', () => {
    for (const check of CHECKS) {
      const name = check.id.replaceAll('-', ' ');
      const offered = completions(`${name} `);
      expect(offered.length, name).toBeLessThanOrEqual(5);
      for (const { label, line } of offered) {
        const read = readShorthand(line);
        const found = read.ok ? read.entries[0] : undefined;
        expect(found?.kind === 'finding' && found.body.check, line).toBe(check.id);
        expect(check.results.find((r) => r.label === label)?.id, line).toBe(
          found?.kind === 'finding' ? found.body.result : undefined,
        );
      }
    }
    for (const part of PARTS) {
      const read = readShorthand(lines(`off ${part.name.slice(0, 6)}`)[0] ?? '');
      expect(read.ok && read.entries[0]?.kind, part.name).toBe('took-off');
    }
  });
});

describe('the forms shown to whoever asks', () => {
  it.each(FORMS)('"%s" is understood', (line) => {
    expect(readShorthand(line).ok).toBe(true);
  });
});

describe('one count of two screws', () => {
  const turns = (line: string, counted?: { L?: number; H?: number }) => {
    const read = readShorthand(line, counted ? { counted } : {});
    const found = read.ok ? read.entries[0] : undefined;
    return found?.kind === 'finding' ? found.body.reading?.turns : undefined;
  };
  it('joins what was counted before, and a later count of the same screw takes its place', () => {
    expect(turns('H 1', { L: 1.125 })).toEqual({ L: 1.125, H: 1 });
    expect(turns('L 2', { L: 1.125, H: 1 })).toEqual({ L: 2, H: 1 });
    expect(turns('H 1')).toEqual({ H: 1 });
  });
});
