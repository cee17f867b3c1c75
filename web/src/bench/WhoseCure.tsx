import type { Account, Cure, CureShare, SwapToTell } from '@rusty-wren/core/account';
import type { Disagreement } from '@rusty-wren/core/knowledge';
import { isCharged } from '@rusty-wren/core/worth';
import { useState, type ReactElement } from 'react';
import type { Log } from '../job/useLog';
import { Button } from '../ui/Button';
import { inSentence, minutesWords } from '../ui/words';
import { TradeDisagrees } from './TradeDisagrees';

/** Fainter than this it is not on the list. */
const LISTED = 0.03;

const WHY: Readonly<Record<SwapToTell['matters'], string>> = {
  ordered: 'It tells whether the dear part was needed.',
  charged: 'It tells what is charged.',
  behind: 'It tells what to look for behind it.',
};

const inHundred = (share: number): string => `${Math.round(share * 100)} in 100`;

/** The question of a school, answered with the figures of this job. */
const openAnyway = ({ back, backOpened, stop, open }: NonNullable<Cure['openAnyway']>): Disagreement => ({
  id: 'open-anyway',
  about: 'open the carburettor anyway?',
  opinions: [
    {
      says: 'Stop: it runs.',
      because: `${inHundred(back)} that it comes back, ${minutesWords(stop)} a job with what that costs.`,
    },
    {
      says: 'Open it anyway.',
      because: `${inHundred(backOpened)} then, ${minutesWords(open)} a job with the opening.`,
    },
  ],
  here: stop <= open ? 'Stop.' : 'Open it: coming back would cost more.',
});

/** One that may have been it, with its share, and whether it is charged. */
function Row({
  says,
  share,
  aside,
}: {
  says: string;
  share: number;
  aside?: string | undefined;
}): ReactElement {
  return (
    <li className="flex items-baseline justify-between gap-4 border-b border-line py-1.5 text-lg">
      <span className="min-w-0">
        {says}
        {aside && <span className="ml-3 text-soft">{aside}</span>}
      </span>
      <span className="font-bold whitespace-nowrap tabular-nums">{inHundred(share)}</span>
    </li>
  );
}

/** The old thing back in for a moment, and what it showed. */
function SwapBack({ swap, log }: { swap: SwapToTell; log: Log }): ReactElement {
  const [trying, setTrying] = useState(false);
  const told = (again: boolean): void => {
    setTrying(false);
    void log('swapped-back', { of: swap.of.change.refs[0]!, what: swap.says, again });
  };
  if (!trying)
    return (
      <div className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <Button onClick={() => setTrying(true)}>
          {swap.says}, {minutesWords(swap.minutes)}
        </Button>
        <span className="text-lg">{WHY[swap.matters]}</span>
      </div>
    );
  return (
    <div className="mt-3 flex flex-wrap items-center gap-2" role="group" aria-label={swap.says}>
      <span className="mr-2 text-lg font-semibold">{swap.says}: run it, then put the new one back.</span>
      <Button onClick={() => told(true)}>It did it again</Button>
      <Button onClick={() => told(false)}>Still runs right</Button>
      <Button look="quiet" onClick={() => setTrying(false)}>
        Leave it
      </Button>
    </div>
  );
}

/**
 * What cured it, where several things were changed at once: each with its share, what would tell them apart, and whether opening it
 * anyway would pay. Nothing where one thing was it.
 */
export function WhoseCure({
  account,
  log,
}: {
  account: Pick<Account, 'cure' | 'acts'>;
  log: Log;
}): ReactElement | null {
  const { cure, acts } = account;
  if (!cure) return null;
  const { named, maybe, shares, byItself, hidden, swap } = cure;
  const question = cure.openAnyway && <TradeDisagrees on={[openAnyway(cure.openAnyway)]} />;
  const notCharged = ({ change }: CureShare): boolean =>
    acts.some((act) => change.refs.includes(act.repair.entryId) && !isCharged(act));
  const told = named ? shares.some(notCharged) : maybe.length > 0 && shares.length > 1;
  if (!told) return question;
  return (
    <section aria-label="What cured it" className="mb-5 max-w-2xl">
      <h2 className="text-2xl font-bold">
        {named
          ? `What cured it, most likely: ${inSentence(named.change.says)}`
          : 'What cured it is not known'}
      </h2>
      <ul className="mt-1">
        {shares
          .filter((s) => s.share >= LISTED || notCharged(s))
          .map((s) => (
            <Row
              key={s.change.says}
              says={s.change.says}
              share={s.share}
              aside={notCharged(s) ? 'not charged' : undefined}
            />
          ))}
        {byItself >= LISTED && <Row says="It came right by itself" share={byItself} />}
        {hidden >= LISTED && <Row says="It is still there, and has not shown" share={hidden} />}
      </ul>
      {swap && <SwapBack swap={swap} log={log} />}
      {question}
    </section>
  );
}
