import { describe, expect, it } from 'vitest';
import { figuresOf, gaugeOf, readSpecTable, shopBand, specTable, SPEC_COLUMNS, type SpecLine } from './index';

const SAW = { kind: 'chainsaw', displacementCc: 45 } as const;

describe('figures', () => {
  it('are the maker’s where a card has them, else the class’s, and say which', () => {
    const figures = figuresOf({ ...SAW, spec: { idle: 3000, gapMm: [0.2, 0.3] } });
    expect(figures).toMatchObject({ idle: 3000, gapMm: [0.2, 0.3], squeezePsi: [120, 150], clutch: 4000 });
    expect(figures.sources.idle).toBe('the maker’s figure');
    expect(figures.sources.squeezePsi).toBe('household saw');
  });

  it('take the shop’s own squeeze before the class, never before the maker', () => {
    const shopSqueezePsi = [160, 170, 165];
    expect(figuresOf({ ...SAW, shopSqueezePsi }).squeezePsi).toEqual(shopBand(shopSqueezePsi));
    expect(figuresOf({ ...SAW, shopSqueezePsi, spec: { squeezePsi: [100, 110] } }).squeezePsi).toEqual([
      100, 110,
    ]);
    expect(shopBand([160, 170])).toBeNull();
  });

  it('take a stated compression ratio before the class, after the shop’s own readings', () => {
    const { squeezePsi, sources } = figuresOf({ ...SAW, spec: { ratio: 6.5 } });
    expect(squeezePsi[0]).toBeLessThan(gaugeOf(6.5));
    expect(squeezePsi[1]).toBeGreaterThan(gaugeOf(6.5));
    expect(sources.squeezePsi).toBe('its ratio of 6.5');
    const shopSqueezePsi = [160, 170, 165];
    expect(figuresOf({ ...SAW, shopSqueezePsi, spec: { ratio: 6.5 } }).squeezePsi).toEqual(
      shopBand(shopSqueezePsi),
    );
    expect(figuresOf({ ...SAW, spec: { ratio: 6.5, squeezePsi: [100, 110] } }).squeezePsi).toEqual([
      100, 110,
    ]);
  });
});

it('begins from the school’s turns only where the maker states none', () => {
  expect(figuresOf(SAW)).toMatchObject({ baseL: 1, baseH: 1 });
  const { baseL, baseH, sources } = figuresOf({ ...SAW, baselineTurns: 2, spec: { baseL: 1.25 } });
  expect([baseL, baseH]).toEqual([1.25, 2]);
  expect([sources.baseL, sources.baseH]).toEqual(['the maker’s figure', 'this bench’s school']);
});

describe('a spec table', () => {
  const lines: SpecLine[] = [
    {
      maker: 'Brakken',
      model: 'B45',
      figures: { idle: 2800, clutch: 4000, full: [12000, 13000] },
      source: 'sheet, p. 4',
    },
    { maker: 'Hobwick', model: 'Reed 26', figures: { gapMm: [0.25, 0.35], leverMm: -0.2, mix: 40 } },
  ];

  it('comes back as it was written', () => {
    expect(specTable(lines).split(/\r?\n/)[0]).toBe(SPEC_COLUMNS.join(','));
    expect(readSpecTable(specTable(lines))).toEqual({ lines });
  });

  it('takes semicolons and decimal commas, and columns left out', () => {
    expect(readSpecTable('maker;model;gapMmLow;gapMmHigh\nTolvane;Gust 25;0,25;0,35')).toEqual({
      lines: [{ maker: 'Tolvane', model: 'Gust 25', figures: { gapMm: [0.25, 0.35] } }],
    });
  });

  it.each([
    ['', 'The table is empty.'],
    ['maker,model', 'The table has a heading and nothing under it.'],
    ['maker,idle\nBrakken,2800', 'The heading has no column "model".'],
    ['maker,model,torque\nBrakken,B45,4', 'The heading has a column "torque" that no card has.'],
    ['maker,model,idle\nBrakken,B45,fast', 'Line 2: idle "fast" is not a number.'],
    [
      'maker,model,fullLow,fullHigh\nBrakken,B45,12000,',
      'Line 2: full needs both its low and its high edge.',
    ],
    ['maker,model,idle\n,B45,2800', 'Line 2 has no maker.'],
  ])('%j: why not', (text, problem) => {
    expect(readSpecTable(text)).toEqual({ problem });
  });
});
