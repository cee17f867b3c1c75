import { describe, expect, it } from 'vitest';
import { CHECK_IDS } from '../knowledge';
import { readShorthand } from './index';
import { TALK } from './talk.corpus';

/** Whether a line is asked about as a check: one of the lines it may have meant names one. */
const asksOfACheck = (line: string): boolean => {
  const read = readShorthand(line);
  return (
    !read.ok &&
    (read.choices ?? []).some((c) => CHECK_IDS.some((id) => c.line.startsWith(id.replaceAll('-', ' '))))
  );
};

describe('ordinary talk', () => {
  it('is at least a hundred and fifty lines, each once', () => {
    expect(new Set(TALK.map(([line]) => line)).size).toBe(TALK.length);
    expect(TALK.length).toBeGreaterThanOrEqual(150);
  });

  it('is never logged as anything but a note', () => {
    const wrong = TALK.filter(([line]) => {
      const read = readShorthand(line);
      return read.ok && read.entries.some((e) => e.kind !== 'note');
    });
    expect(wrong).toEqual([]);
  });

  it('is asked about as a check in five lines of a hundred at most', () => {
    const asked = TALK.filter(([line]) => asksOfACheck(line)).map(([line]) => line);
    expect(asked.length / TALK.length, asked.join('; ')).toBeLessThanOrEqual(0.05);
  });

  it('is offered as a note first, and as what it plainly is', () => {
    const wrong = TALK.flatMap(([line, about]) => {
      const read = readShorthand(line);
      const first = read.ok ? read : readShorthand(read.choices?.[0]?.line ?? '');
      const [entry] = first.ok ? first.entries : [];
      const got = entry?.kind === 'note' ? (entry.body.about ?? null) : 'no note';
      return got === about ? [] : [`${line}: ${got}, wanted ${about}`];
    });
    expect(wrong.length / TALK.length, wrong.join('\n')).toBeLessThanOrEqual(0.03);
  });

  it.each([
    ['his brother changed the plug', 'plug'],
    ['she had the coil replaced last year', 'coil'],
    ['a neighbour cleaned the carb', 'carburettor-cleaned'],
    ['footpath team wants both', null],
    ['they changed their mind', null],
  ])('%s: offered as work said to be done, where it is that', (line, work) => {
    const read = readShorthand(line);
    const second = read.ok ? undefined : read.choices?.[1]?.line;
    const means = second === undefined ? null : readShorthand(second);
    const [entry] = means?.ok ? means.entries : [];
    expect(entry?.kind === 'said-done' ? entry.body.work : null).toBe(work);
  });
});
