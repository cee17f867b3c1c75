import { chanceFrom } from '@rusty-wren/core/chance';
import { commonnessIn, learntFor } from '@rusty-wren/core/learning';
import {
  drawExercise,
  GROUPS,
  LEVELS,
  type Exercise,
  type GroupId,
  type Level,
  type ThemeId,
} from '@rusty-wren/core/practice';
import { useState, type ReactElement } from 'react';
import { useLearntQuery } from '../learning/learningApi';
import { Button } from '../ui/Button';
import { OneOf } from '../ui/OneOf';

const LEVEL_WORDS: Readonly<Record<Level, string>> = {
  1: 'One fault, plainly seen',
  2: 'One fault, and what it brought about',
  3: 'Two faults at least',
  4: 'As they come, with signs that mislead',
};
export const THEME_OPTIONS = [
  { id: 'any', label: 'Anything' },
  { id: 'fuel', label: 'Fuel' },
  { id: 'carburettor', label: 'Carburettor' },
  { id: 'spark', label: 'Spark' },
  { id: 'squeeze', label: 'Squeeze' },
] as const satisfies readonly { id: Exclude<ThemeId, 'trap'>; label: string }[];
const GROUP_WORDS: Readonly<Record<GroupId, string>> = {
  any: 'Any',
  saw: 'Saws',
  trimmer: 'Trimmers',
  blower: 'Blowers',
};
const GROUP_OPTIONS = GROUPS.map((id) => ({ id, label: GROUP_WORDS[id] }));
const LEVEL_OPTIONS = LEVELS.map((level) => ({ id: String(level), label: String(level) }));
const ODDS_OPTIONS = [
  { id: 'trade', label: 'The trade' },
  { id: 'here', label: 'This shop' },
] as const;
const KIND = { any: 'chainsaw', saw: 'chainsaw', trimmer: 'trimmer', blower: 'blower' } as const;

/** Which hidden machine to take: what it is about, which machines, how hard, and by whose odds. `level`, `more`: where one stands on the ladder. */
export function HangUp({
  level,
  more,
  onDrawn,
}: {
  level: Level;
  more: number;
  onDrawn: (exercise: Exercise) => void;
}): ReactElement {
  const [asked, setAsked] = useState<{
    theme: Exclude<ThemeId, 'trap'>;
    level: Level;
    group: GroupId;
    odds: 'trade' | 'here';
  }>({
    theme: 'any',
    level,
    group: 'any',
    odds: 'trade',
  });
  const { data: learnt } = useLearntQuery();
  const draw = ({ odds, ...of }: typeof asked): void => {
    const here = odds === 'here' && learnt ? learntFor(learnt.learnt, { kind: KIND[of.group] }, '') : null;
    onDrawn(
      drawExercise(chanceFrom(Math.floor(Math.random() * 2 ** 31)), of, (here && commonnessIn(here)) ?? {}),
    );
  };
  return (
    <>
      <div className="mt-5 grid gap-4">
        <Choice says="About">
          <OneOf
            label="Theme"
            options={THEME_OPTIONS}
            value={asked.theme}
            onChange={(theme) => setAsked({ ...asked, theme })}
          />
        </Choice>
        <Choice says="On">
          <OneOf
            label="Machines"
            options={GROUP_OPTIONS}
            value={asked.group}
            onChange={(group) => setAsked({ ...asked, group })}
          />
        </Choice>
        <Choice says="How hard">
          <OneOf
            label="Level"
            options={LEVEL_OPTIONS}
            value={String(asked.level)}
            onChange={(id) => setAsked({ ...asked, level: LEVELS.find((l) => String(l) === id) ?? 1 })}
          />
          <span className="text-lg">{LEVEL_WORDS[asked.level]}</span>
        </Choice>
        {learnt?.counts && (
          <Choice says="Odds of">
            <OneOf
              label="Odds"
              options={ODDS_OPTIONS}
              value={asked.odds}
              onChange={(odds) => setAsked({ ...asked, odds })}
            />
          </Choice>
        )}
      </div>
      <Button look="rust" className="mt-6 min-h-16 px-8 text-2xl" onClick={() => draw(asked)}>
        Hang one up
      </Button>
      <p className="mt-2 text-soft">
        {level < 4
          ? `You are on level ${level}: ${more} more that go well, and the next one opens.`
          : 'You are at the top of the ladder.'}
      </p>
    </>
  );
}

/** One choice with what it is about. */
const Choice = ({ says, children }: { says: string; children: React.ReactNode }): ReactElement => (
  <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
    <span className="w-20 text-lg font-semibold">{says}</span>
    {children}
  </div>
);
