import { describe, expect, it } from 'vitest';
import { judgeReading, type Judged } from './index';

const SAW = { kind: 'chainsaw', displacementCc: 45 } as const;
const result = (judged: Judged): string | undefined => ('result' in judged ? judged.result : undefined);

describe('coil air gap', () => {
  it.each([
    [[0.3, 0.3], 'in-band'],
    [[0.3, 0.45], 'uneven'],
    [[0.5, 0.6], 'wide'],
    [[0.1, 0.15], 'tight'],
    [[0.15, 0.5], 'uneven'],
    [[0.45], 'wide'],
    [[0.25, 0.36], 'in-band'],
  ])('of %j mm is %s', (mm, wanted) => {
    expect(result(judgeReading('coil-gap', { mm }, SAW))).toBe(wanted);
  });

  it('shows both units', () => {
    expect(judgeReading('coil-gap', { mm: [0.3] }, SAW)).toMatchObject({
      says: expect.stringContaining('0.30 mm (0.012 in)') as string,
    });
  });
});

describe('plug gap, lever, screws, speeds', () => {
  it.each([
    ['plug-gap', { mm: [0.6] }, 'in-band'],
    ['plug-gap', { mm: [0.9] }, 'wide'],
    ['plug-gap', { mm: [0.3] }, 'narrow'],
    ['metering-lever', { mm: [0.4] }, 'high'],
    ['metering-lever', { mm: [-0.4] }, 'low'],
    ['metering-lever', { mm: [0.05] }, 'in-band'],
    ['screw-turns', { turns: { L: 1.125, H: 1 } }, 'near-baseline'],
    ['screw-turns', { turns: { L: 1, H: 3.5 } }, 'far-out'],
    ['screw-turns', { turns: { H: 0.25 } }, 'far-in'],
    ['idle-speed', { rpm: [2750] }, 'in-band'],
    ['idle-speed', { rpm: [3900] }, 'high'],
    ['idle-speed', { rpm: [2400, 3000, 2700] }, 'wandering'],
    ['full-speed', { rpm: [12400] }, 'in-band'],
    ['full-speed', { rpm: [9000] }, 'low'],
  ] as const)('%s %j is %s', (check, reading, wanted) => {
    expect(result(judgeReading(check, reading, SAW))).toBe(wanted);
  });

  it('judges speeds by the kind of machine', () => {
    expect(result(judgeReading('full-speed', { rpm: [7300] }, { kind: 'backpack-blower' }))).toBe('in-band');
    expect(result(judgeReading('full-speed', { rpm: [7300] }, SAW))).toBe('low');
  });

  it('refuses what it has no figure for', () => {
    expect(judgeReading('idle-speed', {}, SAW)).toHaveProperty('refused');
    expect(judgeReading('coil-gap', { rpm: [3] }, SAW)).toHaveProperty('refused');
    expect(judgeReading('screw-turns', { turns: {} }, SAW)).toHaveProperty('refused');
    expect(judgeReading('fuel-smell', { mm: [1] }, SAW)).toHaveProperty('refused');
  });
});
