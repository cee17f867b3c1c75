import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

const run = (...args: string[]) =>
  spawnSync(process.execPath, ['--import', 'tsx', 'scripts/diagnose.ts', ...args], { encoding: 'utf8' });
const folder = mkdtempSync(join(tmpdir(), 'wren-cases-'));
const file = (name: string, content: object | string): string => {
  const path = join(folder, name);
  writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content));
  return path;
};
const one = (...log: object[]) => ({ format: 'rusty-wren-case/1', machine: { kind: 'trimmer' }, log });

describe('npm run diagnose', () => {
  it('prints one line of JSON a file, in order', () => {
    const first = file(
      'a.json',
      one({ complaint: 'fades-under-way' }, { check: 'tank-vent', result: 'blocked' }),
    );
    const second = file('b.json', one({ complaint: 'flooded' }, { check: 'metering-lever', result: 'high' }));
    const { stdout, status } = run(first, second);
    const leads = stdout
      .trim()
      .split('\n')
      .map((line) => (JSON.parse(line) as { suspects: { cause: string }[] }).suspects[0]?.cause);
    expect(status).toBe(0);
    expect(leads).toEqual(['tank-vent-blocked', 'metering-lever-high']);
  });

  it('refuses a bad file in one line naming file and field, exit 2, and prints nothing else', () => {
    const good = file('good.json', one({ complaint: 'flooded' }));
    const bad = file('bad.json', one({ complaint: 'wobbles' }));
    const { stdout, stderr, status } = run(good, bad);
    expect(status).toBe(2);
    expect(stdout).toBe('');
    expect(stderr.trim().split('\n')).toHaveLength(1);
    expect(stderr).toContain('bad.json: log[0].complaint must be one of');
    expect(run(join(folder, 'absent.json'))).toMatchObject({ status: 2, stdout: '' });
    expect(run()).toMatchObject({ status: 2 });
  });

  it('prints the whole vocabulary', () => {
    const { stdout, status } = run('--vocabulary');
    const words = JSON.parse(stdout) as {
      causes: string[];
      checks: Record<string, string[]>;
      complaints: string[];
    };
    expect(status).toBe(0);
    expect(words.causes).toContain('coil-gap-wide');
    expect(words.checks['fuel-smell']).toEqual(['fresh', 'stale']);
    expect(words.complaints).toHaveLength(21);
  });
});
