import {
  BULBS,
  familyOf,
  THROATS,
  type Bulb,
  type Carburettor,
  type ScrewSet,
  type Throat,
} from '@rusty-wren/core/knowledge';
import { useState, type ReactElement } from 'react';
import { StepHead } from '../bench/steps/StepHead';
import { BodyGlyph } from '../drawn/LayerGlyph';
import { Strokes } from '../drawn/Strokes';
import { Button } from '../ui/Button';
import { OneOf } from '../ui/OneOf';

const THROAT_WORDS: Readonly<Record<Throat, { name: string; says: string }>> = {
  butterfly: { name: 'A plate on a shaft', says: 'It swings across the throat.' },
  barrel: { name: 'A barrel', says: 'It turns, and lifts as it turns.' },
};
const BULB_WORDS: Readonly<Record<Bulb, string>> = {
  'on-body': 'Bulb on its body',
  remote: 'Bulb apart, on hoses',
  none: 'No bulb',
};
const SCREWS: readonly { id: ScrewSet; label: string }[] = [
  { id: 'both', label: 'L and H' },
  { id: 'one', label: 'One screw' },
  { id: 'fixed', label: 'Fixed jets' },
];
const BULB_AT: Readonly<Record<Bulb, readonly string[]>> = {
  none: [],
  'on-body': ['M28 60c0 14 24 14 24 0'],
  remote: ['M112 44c0-20 28-20 28 0z', 'M108 46h36', 'M72 34c14-14 26-14 40 6M72 48c14 14 30 10 46 0'],
};

/** The body, and the bulb where it is. */
const BulbPlace = ({ bulb }: { bulb: Bulb }): ReactElement => (
  <Strokes viewBox="0 0 150 76" className="h-20">
    <path d="M8 22h64v38H8z" />
    <path d="M28 40a12 9 0 1 0 24 0a12 9 0 1 0-24 0" />
    {BULB_AT[bulb].map((d) => (
      <path key={d} d={d} />
    ))}
  </Strokes>
);

const YES_NO = [
  { id: 'yes', label: 'Yes' },
  { id: 'no', label: 'No' },
] as const;
const TILE =
  'grid min-h-24 place-items-center gap-1 rounded-md border-2 border-ink bg-card px-3 py-3 text-center hover:outline-2 hover:outline-ink';

/** Which carburettor it is, by what one sees, in two taps: what opens the throat, and where the bulb is. */
export function FamilyPick({
  known,
  onPicked,
}: {
  /** As it was said before. */
  known: Carburettor | null;
  onPicked: (c: Carburettor) => void;
}): ReactElement {
  const [throat, setThroat] = useState<Throat | null>(null);
  return (
    <section aria-label="Which carburettor">
      <StepHead
        eyebrow="Look into the throat"
        title={throat === null ? 'What opens it?' : 'Where is the bulb?'}
      />
      <div className="mt-4 grid max-w-2xl gap-3 sm:grid-cols-2">
        {throat === null
          ? THROATS.map((id, n) => (
              <button
                key={id}
                type="button"
                data-result={n + 1}
                className={TILE}
                onClick={() => setThroat(id)}
              >
                <BodyGlyph throat={id} className="h-20" />
                <span className="text-xl font-bold">{THROAT_WORDS[id].name}</span>
                <span className="text-lg text-soft">{THROAT_WORDS[id].says}</span>
              </button>
            ))
          : BULBS.toReversed().map((bulb, n) => (
              <button
                key={bulb}
                type="button"
                data-result={n + 1}
                className={TILE}
                onClick={() => onPicked({ throat, bulb })}
              >
                <BulbPlace bulb={bulb} />
                <span className="text-xl font-bold">{BULB_WORDS[bulb]}</span>
                <span className="text-lg text-soft">{familyOf({ throat, bulb }).on}</span>
              </button>
            ))}
      </div>
      {throat !== null && (
        <Button look="quiet" className="mt-3 !px-0" onClick={() => setThroat(null)}>
          Back to the throat
        </Button>
      )}
      {throat !== null && (
        <Button
          look="quiet"
          className="mt-3 ml-6 !px-0"
          onClick={() => onPicked({ throat, bulb: 'none', own: { pump: [], metering: [] } })}
        >
          Built like none of these
        </Button>
      )}
      {known && throat === null && <Features known={known} onPicked={onPicked} />}
    </section>
  );
}

/** What differs within a family: screws, an accelerator piston, limiter caps, how the impulse comes in. */
function Features({
  known,
  onPicked,
}: {
  known: Carburettor;
  onPicked: (c: Carburettor) => void;
}): ReactElement {
  const family = familyOf(known);
  const yes = (on: boolean): 'yes' | 'no' => (on ? 'yes' : 'no');
  return (
    <div className="mt-6 grid max-w-xl gap-3 text-lg">
      <h3 className="text-xl font-bold">{known.own ? 'Made at this bench' : family.name}, but</h3>
      <Feature name="Mixture screws">
        <OneOf
          label="Mixture screws"
          options={SCREWS}
          value={known.screws ?? family.screws}
          onChange={(screws) => onPicked({ ...known, screws })}
        />
      </Feature>
      <Feature name="Limiter caps">
        <OneOf
          label="Limiter caps"
          options={YES_NO}
          value={yes(known.caps ?? family.caps)}
          onChange={(on) => onPicked({ ...known, caps: on === 'yes' })}
        />
      </Feature>
      <Feature name="Accelerator piston">
        <OneOf
          label="Accelerator piston"
          options={YES_NO}
          value={yes(known.piston ?? false)}
          onChange={(on) => onPicked({ ...known, piston: on === 'yes' })}
        />
      </Feature>
      <Feature name="Impulse">
        <OneOf
          label="Impulse"
          options={[
            { id: 'face', label: 'Through the face' },
            { id: 'hose', label: 'By a hose' },
          ]}
          value={known.impulse ?? family.impulse}
          onChange={(impulse) => onPicked({ ...known, impulse })}
        />
      </Feature>
    </div>
  );
}

const Feature = ({ name, children }: { name: string; children: ReactElement }): ReactElement => (
  <div className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1">
    <span>{name}</span>
    {children}
  </div>
);
