import { checkOf, type CheckId } from '../knowledge';
import type { Reading } from './shown';

/** What such a machine may show at all, sound or not: beyond it a figure was rather misread or typed wrong. */
const SHOWS: Partial<Record<CheckId, { low: number; high: number; unit: string; hint?: string }>> = {
  'compression-gauge': { low: 15, high: 220, unit: 'psi', hint: 'If the gauge reads bar, write bar.' },
  'compression-wet': { low: 15, high: 220, unit: 'psi', hint: 'If the gauge reads bar, write bar.' },
  'pop-off': { low: 0, high: 60, unit: 'psi', hint: 'If the gauge reads bar, write bar.' },
  'idle-speed': { low: 800, high: 6000, unit: 'rpm' },
  'full-speed': { low: 3000, high: 16_000, unit: 'rpm' },
  'coil-gap': { low: 0, high: 1.5, unit: 'mm' },
  'plug-gap': { low: 0.1, high: 1.6, unit: 'mm' },
  'metering-lever': { low: -2, high: 2, unit: 'mm' },
  'screw-turns': { low: 0, high: 5, unit: 'turns' },
};

/** The figures of a reading as they count: of a gauge the last pull. */
function figuresOf({ psi, mm, rpm, turns }: Reading): number[] {
  if (psi) return psi.slice(-1);
  return [...(mm ?? []), ...(rpm ?? []), ...Object.values(turns ?? {})];
}

const plain = (n: number): string => n.toLocaleString('en-GB', { maximumFractionDigits: 2 });

/**
 * The question that a reading raises which no such machine shows, alike wherever it is written; null where it raises none, or somebody
 * has said that it is right.
 *
 * @example questionOf('idle-speed', { rpm: [12400] }) // 'Idle speed: 12,400 rpm is far from what such a machine shows, 800 to 6,000. …'
 */
export function questionOf(check: CheckId, reading: Reading): string | null {
  const shows = SHOWS[check];
  if (!shows || reading.confirmed) return null;
  const { low, high, unit, hint } = shows;
  const odd = figuresOf(reading).find((n) => n < low || n > high);
  if (odd === undefined) return null;
  const says = `${checkOf(check).name}: ${plain(odd)} ${unit} is far from what such a machine shows, ${plain(low)} to ${plain(high)}.`;
  return [says, hint, 'Is it right?'].filter(Boolean).join(' ');
}
