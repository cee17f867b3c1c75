import { cardThickness, LEG_SPACING_MM, moveWords, readLegs, SETTING_STEPS } from '@rusty-wren/core/airgap';
import type { MachineFacts } from '@rusty-wren/core/machine';
import { figuresOf } from '@rusty-wren/core/machine';
import { judgeReading, questionOf, type Reading } from '@rusty-wren/core/reading';
import { mmToThou, thouToMm } from '@rusty-wren/core/units';
import { useState, type ReactElement } from 'react';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { useDraft } from '../../ui/useDraft';
import { OneOf } from '../../ui/OneOf';
import { IsRight } from '../IsRight';
import { LegsDrawing } from './LegsDrawing';

const MEASURES = ['mm', 'thou', 'cards'] as const;
type Measure = (typeof MEASURES)[number];
const MEASURE_WORDS: Readonly<Record<Measure, string>> = { mm: 'mm', thou: 'Thousandths', cards: 'Cards' };
const RESULT_WORDS: Readonly<Record<string, string>> = {
  'in-band': 'Right',
  wide: 'Too wide',
  tight: 'Too tight',
  uneven: 'One leg off',
};
const CONTACT = [
  { id: 'unheard', label: 'Not yet' },
  { id: 'quiet', label: 'Quiet' },
  { id: 'scrape', label: 'Scrapes' },
] as const;
/** Ten cards of the usual kind, mm. */
const USUAL_STACK = { mm: 3.6, count: 10 };

/** The coil's air gap, leg by leg: the lean, which end to move and how far, and the setting step by step. */
export function AirGap({
  machine,
  draft,
  onStart,
  onLog,
}: {
  machine: MachineFacts;
  /** Where what is typed is kept until it is logged; absent without a job. */
  draft?: string | undefined;
  onStart?: () => void;
  onLog?: (reading: Reading) => void;
}): ReactElement {
  const [measure, setMeasure] = useDraft<Measure>(draft && `${draft} measure`, () => 'mm');
  const [stack, setStack] = useState(USUAL_STACK);
  const [typed, setTyped] = useDraft<{ top: number | null; bottom: number | null }>(draft, () => ({
    top: null,
    bottom: null,
  }));
  const [spacing, setSpacing] = useState<number | null>(null);
  const [contact, setContact] = useState<(typeof CONTACT)[number]['id']>('unheard');
  const [setting, setSetting] = useState(false);
  const [right, setRight] = useState(false);
  const toMm = (value: number | null): number | null => {
    if (value === null) return null;
    if (measure === 'thou') return Math.round(thouToMm(value) * 1000) / 1000;
    if (measure === 'cards')
      return value === 0 ? 0 : Math.round(cardThickness(stack.mm, stack.count, value) * 1000) / 1000;
    return value;
  };
  const top = toMm(typed.top);
  const bottom = toMm(typed.bottom);
  const { gapMm, sources } = figuresOf(machine);
  const both = top !== null && bottom !== null;
  const reading: Reading = {
    mm: [top, bottom].filter((mm) => mm !== null),
    ...(measure === 'thou' && { in: 'thou' as const }),
    ...(right && { confirmed: true }),
    ...(contact !== 'unheard' && { contact }),
  };
  const question = questionOf('coil-gap', reading);
  const judged = reading.mm?.length ? judgeReading('coil-gap', reading, machine) : null;
  const result = judged && 'result' in judged ? judged.result : null;
  const legs = both ? readLegs(top, bottom, gapMm, spacing ?? LEG_SPACING_MM) : null;
  const most = measure === 'mm' ? 3 : measure === 'thou' ? 120 : 12;
  const unit = measure === 'cards' ? 'cards' : measure;

  return (
    <section aria-label="Air gap" className="mb-5">
      <OneOf
        label="Measured in"
        options={MEASURES.map((m) => ({ id: m, label: MEASURE_WORDS[m] }))}
        value={measure}
        onChange={(next) => {
          setMeasure(next);
          setTyped({ top: null, bottom: null });
        }}
      />
      {measure === 'cards' && (
        <div className="mt-3 flex flex-wrap gap-4">
          <NumberField
            label="A stack of"
            value={stack.count}
            min={1}
            max={100}
            onChange={(count) => count && setStack({ ...stack, count })}
          />
          <NumberField
            label="measures, mm"
            value={stack.mm}
            min={0.05}
            max={50}
            onChange={(mm) => mm && setStack({ ...stack, mm })}
          />
        </div>
      )}
      <div key={measure} className="mt-3 flex flex-wrap gap-4">
        {(['top', 'bottom'] as const).map((leg) => (
          <NumberField
            key={leg}
            label={`${leg === 'top' ? 'Top' : 'Bottom'} leg, ${unit}`}
            value={typed[leg]}
            min={0}
            max={most}
            onChange={(value) => {
              onStart?.();
              setRight(false);
              setTyped({ ...typed, [leg]: value });
            }}
          />
        ))}
        <NumberField
          label="Legs apart, mm"
          value={spacing}
          placeholder={String(LEG_SPACING_MM)}
          min={5}
          max={120}
          onChange={setSpacing}
        />
      </div>
      {question && <IsRight says={question} onRight={() => setRight(true)} />}
      <div className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-1 text-lg font-semibold">
        Turned once by hand
        <OneOf label="Turned once by hand" options={CONTACT} value={contact} onChange={setContact} />
      </div>
      {onLog && result && (
        <Button
          look={both ? 'rust' : 'plain'}
          className="mt-3 min-h-14 px-6 text-lg"
          onClick={() => onLog(reading)}
        >
          Log {both ? 'it' : 'the one leg'}: {RESULT_WORDS[result]?.toLowerCase()}
        </Button>
      )}

      <div aria-live="polite">
        {result && (
          <p
            className={`mt-2 text-3xl leading-tight font-bold ${result !== 'in-band' ? 'text-rust' : both ? 'text-moss' : ''}`}
          >
            {result === 'in-band' && !both ? 'This leg is right: measure the other' : RESULT_WORDS[result]}
          </p>
        )}
        {judged && 'says' in judged && (
          <p className="text-lg">
            {judged.says}, {sources.gapMm}
          </p>
        )}
        {legs && Math.abs(legs.tiltDeg) >= 0.1 && (
          <p className="text-lg">
            Leans {Math.abs(legs.tiltDeg).toFixed(1)}°, {legs.tiltDeg > 0 ? 'top' : 'bottom'} further off
          </p>
        )}
        {legs?.moves.map((move) => (
          <p key={move.leg} className="text-2xl font-semibold">
            {moveWords(move)} ({Math.round(mmToThou(Math.abs(move.inMm)))} thou)
          </p>
        ))}
      </div>
      <LegsDrawing top={top} bottom={bottom} band={gapMm} />
      <div className="mt-3 flex flex-wrap gap-3">
        <Button className="min-h-14" aria-expanded={setting} onClick={() => setSetting(!setting)}>
          How to set it
        </Button>
      </div>
      {setting && (
        <ol className="mt-3 list-decimal pl-7 text-xl leading-relaxed">
          {SETTING_STEPS.map((does) => (
            <li key={does}>{does}</li>
          ))}
        </ol>
      )}
    </section>
  );
}
