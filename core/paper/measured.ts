import type { Finding } from '../log';
import { isPressureCheck, readWatch, type Trace } from '../pressure';
import { mmToThou, pressureWords, psiToBar, psiToKpa, toKpa } from '../units';
import type { Judged } from '../verdict';

const UNIT_WORDS = { psi: 'psi', mm: 'mm', rpm: 'revolutions a minute', turns: 'turns', '%': '%' } as const;

const figure = (value: number, unit: keyof typeof UNIT_WORDS): string => {
  const digits = unit === 'mm' || unit === 'turns' ? 2 : 0;
  const rounded = unit === 'rpm' ? Math.round(value / 50) * 50 : value;
  return rounded.toLocaleString('en-GB', { minimumFractionDigits: digits, maximumFractionDigits: digits });
};

type Told = Extract<Judged, { result: string }>;

/** The unit a gauge showed. */
const shownIn = (reading: Finding['reading']): 'psi' | 'bar' | 'kPa' =>
  reading?.in === 'bar' || reading?.in === 'kPa' ? reading.in : 'psi';

type GaugeUnit = ReturnType<typeof shownIn>;
const gaugeFigure = (psi: number, unit: GaugeUnit): string =>
  ({ psi, bar: psiToBar(psi), kPa: psiToKpa(psi) })[unit].toFixed(unit === 'bar' ? 1 : 0);
/** A gauge as it stood: 145 psi; 10.0 bar. */
const gauge = (psi: number, unit: GaugeUnit): string => `${gaugeFigure(psi, unit)} ${unit}`;

/** What the compression gauge showed, and what it was reckoned as where that is another figure, with the reason. */
function compressionSaid({ reading, check }: Finding, { value }: Told): string {
  const shown = reading?.psi?.at(-1);
  if (shown === undefined) return '';
  const unit = shownIn(reading);
  const because = [
    reading?.altitudeM ? `${reading.altitudeM.toLocaleString('en-GB')} m above the sea` : '',
    reading?.hoseMl ? 'the hose of the gauge counted in' : '',
    (reading?.psi?.length ?? 0) > 2 && Math.abs(value - shown) > 1 ? 'where the needle was heading' : '',
  ].filter(Boolean);
  const corrected =
    check === 'compression-gauge' && Math.abs(value - shown) > 1 && because.length > 0
      ? `, which counts as ${gauge(value, unit)} (${because.join(', ')})`
      : '';
  return ` The gauge showed ${gauge(shown, unit)}${corrected}`;
}

/** Where a needle opened and shut again. */
function popOffSaid({ reading }: Finding): string {
  const [opened, shut] = reading?.psi ?? [];
  if (opened === undefined) return '';
  const unit = shownIn(reading);
  if (shut === undefined) return ` It had not opened by ${gauge(opened, unit)}`;
  const again = shut < 1 ? 'did not shut again' : `shut at ${gauge(shut, unit)}`;
  return ` It opened at ${gauge(opened, unit)} and ${again}`;
}

/** What a watched gauge did, in its own unit, and how far it may fall in that time. */
function watchSaid(check: Parameters<typeof readWatch>[0], trace: Trace): string {
  const points = trace.points.toSorted((x, y) => x[0] - y[0]);
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last) return '';
  const { limitRate, pop } = readWatch(check, trace);
  const as = (p: number): string => pressureWords(toKpa(p, trace.unit), trace.unit);
  const seconds = Math.round(last[0] - first[0]);
  if (pop) return ` It opened and shut again under pressure, and stood at ${as(last[1])} at the end.`;
  const least = first[1] * Math.exp(-limitRate * (last[0] - first[0]));
  return ` It went from ${as(first[1])} to ${as(last[1])} in ${seconds} seconds; a sound one keeps ${as(least)}.`;
}

/** What was measured and what judged it, where it was measured: as the instrument showed it first. */
export function measured(finding: Finding): string {
  const { check, judged, reading } = finding;
  if (!judged || !('value' in judged) || !reading) return '';
  const simulated =
    reading.simulated || reading.trace?.simulated ? ' (Read by a stand-in, not by a gauge.)' : '';
  if (isPressureCheck(check)) return reading.trace ? `${watchSaid(check, reading.trace)}${simulated}` : '';
  const { value, band, unit } = judged;
  const [low, high] = band;
  // In the unit the instrument showed: two units in one sentence are read as one.
  const edges = reading.psi
    ? [gaugeFigure(low, shownIn(reading)), gauge(high, shownIn(reading))]
    : [figure(low, unit), figure(high, unit)];
  const right = low === high ? '.' : `; ${edges.join(' to ')} is right for it.`;
  if (check === 'pop-off') return `${popOffSaid(finding)}${right}${simulated}`;
  if (reading.psi) return `${compressionSaid(finding, judged)}${right}${simulated}`;
  const thou =
    reading.mm && (reading.in === 'thou' || reading.in === 'in')
      ? `${reading.mm.map((mm) => Math.round(mmToThou(mm))).join(' and ')} thousandths of an inch, `
      : '';
  const all = reading.mm ?? reading.rpm ?? [value];
  const is =
    unit === 'turns'
      ? (['L', 'H'] as const)
          .flatMap((s) =>
            reading.turns?.[s] === undefined ? [] : [`${s} ${figure(reading.turns[s], unit)}`],
          )
          .join(' and ')
      : all.map((v) => figure(v, unit)).join(' and ');
  return ` We measured ${thou}${is} ${UNIT_WORDS[unit]}${right}${simulated}`;
}
