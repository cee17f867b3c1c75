import { describe, expect, it } from 'vitest';
import { pressing } from './index';

const NOW = '2026-05-04T10:00:00.000Z';
const at = (
  stage: 'bench' | 'hook' | 'parts' | 'closed',
  promisedFor: string | null = null,
  stageSince: string | null = null,
) => pressing({ stage, promisedFor, stageSince }, { now: NOW, today: '2026-05-04' });

describe('what presses', () => {
  it('puts what is late before what is due, and the bench before the hook', () => {
    expect(at('hook', '2026-05-02').score).toBeGreaterThan(at('hook', '2026-05-09').score);
    expect(at('bench').score).toBeGreaterThan(at('hook').score);
    expect(at('hook', '2026-05-01').score).toBeGreaterThan(at('bench').score);
    expect(at('closed', '2026-05-01').score).toBeLessThan(at('parts').score);
  });

  it('lets a job that hangs long rise, but not for ever', () => {
    expect(at('hook', null, '2026-04-28T10:00:00Z').score).toBeGreaterThan(at('hook', null, NOW).score);
    expect(at('hook', null, '2020-01-01T10:00:00Z').score - at('hook', null, NOW).score).toBe(10);
  });

  it('counts days as people do', () => {
    expect(at('hook', '2026-05-04').dueInDays).toBe(0);
    expect(at('hook', '2026-05-05').dueInDays).toBe(1);
    expect(at('hook', '2026-05-02').dueInDays).toBe(-2);
    expect(at('hook').dueInDays).toBeNull();
    // Half past six in the evening seven hours west, after midnight in Greenwich: it is promised for today still.
    const evening = { now: '2026-05-05T01:30:00.000Z', today: '2026-05-04' };
    const hook = { stage: 'hook', promisedFor: '2026-05-04', stageSince: null } as const;
    expect(pressing(hook, evening).dueInDays).toBe(0);
    expect(pressing(hook, { now: '2026-05-04T22:30:00.000Z', today: '2026-05-05' }).dueInDays).toBe(-1);
  });

  it('needs no hand while it waits for a part', () => {
    expect(at('parts').needsHand).toBe(false);
    expect(at('hook').needsHand).toBe(true);
  });
});
