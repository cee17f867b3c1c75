import { describe, expect, it } from 'vitest';
import {
  ambientFraction,
  ATMOSPHERE_PSI,
  barToPsi,
  formatTurns,
  mmToThou,
  parseTurns,
  psiToBar,
  psiToKpa,
  thouToMm,
} from './index';

describe('pressure', () => {
  it('converts exactly and back', () => {
    expect(psiToBar(7)).toBeCloseTo(0.482633, 6);
    expect(psiToKpa(100)).toBeCloseTo(689.4757, 4);
    expect(ATMOSPHERE_PSI).toBeCloseTo(14.69595, 5);
    for (const psi of [0, 0.3, 7, 150]) expect(barToPsi(psiToBar(psi))).toBeCloseTo(psi, 12);
  });

  it('follows the standard atmosphere’s published table', () => {
    // ISO 2533: pressure ratio at geopotential altitude.
    for (const [metres, ratio] of [
      [0, 1],
      [500, 0.9421],
      [1000, 0.887],
      [1500, 0.8345],
      [2000, 0.7846],
      [3000, 0.692],
    ] as const) {
      expect(ambientFraction(metres)).toBeCloseTo(ratio, 3);
    }
  });
});

describe('length', () => {
  it('knows thousandths', () => {
    expect(thouToMm(10)).toBeCloseTo(0.254, 12);
    expect(mmToThou(0.3556)).toBeCloseTo(14, 9);
  });
});

describe('turns', () => {
  it('reads what it writes, for every eighth', () => {
    for (let eighths = 0; eighths <= 40; eighths++)
      expect(parseTurns(formatTurns(eighths / 8))).toBe(eighths / 8);
    expect(formatTurns(1.125)).toBe('1 1/8');
    expect(formatTurns(0.75)).toBe('3/4');
    expect(parseTurns('1.5')).toBe(1.5);
  });

  it('refuses what is no screw position', () => {
    for (const text of ['', 'x', '1/0', '40', '1 1', '-1']) expect(parseTurns(text), text).toBeNull();
  });
});
