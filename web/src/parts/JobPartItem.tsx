import type { Drawer } from '@rusty-wren/contract';
import type { Way } from '@rusty-wren/core/parts';
import { useState, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { useMoney } from '../ui/money';
import { RowButton } from '../ui/RowButton';
import type { JobPartNow } from './useJobParts';
import type { usePartActs } from './usePartActs';
import { WhichPart } from './WhichPart';
import { dayWords } from '../ui/words';

/** What a way is called on its button. */
function wayDoes({ kind, part, source }: Way): string {
  if (kind === 'order')
    return part ? (source ? `Order from ${source.name}` : 'Order it') : 'Put it on the list';
  const from = part?.shelf ? ` at ${part.shelf}` : '';
  return kind === 'drawer'
    ? `Take it${from}`
    : kind === 'instead'
      ? `Take this in its place${from}`
      : `Take the donor’s`;
}

/** When it is here, and what that does to the promise. */
const whenWords = ({ days, arrives, inTime }: Way): string =>
  `${days === 0 ? 'here now' : `here ${dayWords(arrives)}`}${inTime === false ? ', after it was promised' : ''}`;

/** One part of a job: how it stands, and what can be done about it. */
export function JobPartItem({
  item,
  drawer,
  acts,
  call,
}: {
  item: JobPartNow;
  drawer: Drawer;
  acts: ReturnType<typeof usePartActs>;
  /** The first that nobody has seen to. */
  call: boolean;
}): ReactElement {
  const { name, need, ways } = item;
  const shelf = drawer.parts.find((p) => p.id === need?.part)?.shelf;
  return (
    <li className="border-b-2 border-line py-4">
      <h2 className="text-2xl leading-tight font-bold">{need?.name ?? name}</h2>
      {need && need.name !== name && item.use && <p className="text-lg text-soft">{name}</p>}
      {ways.length > 0 && !need ? (
        <Ways ways={ways} call={call} onTake={(way) => void acts.take(item, way)} />
      ) : (
        need && <Standing item={item} need={need} shelf={shelf} acts={acts} parts={drawer.parts} />
      )}
    </li>
  );
}

/** The ways to come by it: the best one large, the others behind a tap. */
function Ways({
  ways,
  call,
  onTake,
}: {
  ways: readonly Way[];
  call: boolean;
  onTake: (way: Way) => void;
}): ReactElement {
  const money = useMoney();
  const [all, setAll] = useState(false);
  const [best, ...others] = ways as [Way, ...Way[]];
  return (
    <>
      <p className="mt-1 text-xl">
        {best.part && best.part.name}
        {best.part && ', '}
        {best.price > 0 && `${money.exact(best.price)}, `}
        <span className={best.inTime === false ? 'font-semibold text-ochre' : ''}>{whenWords(best)}</span>
      </p>
      {best.condition && <p className="mt-1 text-lg font-semibold">{best.condition}.</p>}
      <div className="mt-3 flex flex-wrap items-center gap-x-5 gap-y-2">
        <Button look={call ? 'rust' : 'plain'} className="min-h-14 px-6 text-lg" onClick={() => onTake(best)}>
          {wayDoes(best)}
        </Button>
        {others.length > 0 && !all && (
          <Button look="quiet" className="!px-0" onClick={() => setAll(true)}>
            {others.length} other {others.length === 1 ? 'way' : 'ways'}
          </Button>
        )}
      </div>
      {all && (
        <ul className="mt-2">
          {others.map((way) => (
            <li key={`${way.kind} ${way.part?.id} ${way.source?.name}`}>
              <RowButton
                onClick={() => onTake(way)}
                aside={
                  <span className={`tabular-nums ${way.inTime === false ? 'text-ochre' : ''}`}>
                    {money.exact(way.price)}, {whenWords(way)}
                  </span>
                }
              >
                {wayDoes(way)}
                {way.kind !== 'order' && way.part && <span className="text-soft">: {way.part.name}</span>}
                {way.condition && <span className="block text-soft">{way.condition}</span>}
              </RowButton>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

/** A part that was seen to: how far it has come, and what comes next. */
function Standing({
  item: { now, ways },
  need,
  shelf,
  acts,
  parts,
}: {
  item: JobPartNow;
  need: NonNullable<JobPartNow['need']>;
  shelf: string | undefined;
  acts: ReturnType<typeof usePartActs>;
  parts: Drawer['parts'];
}): ReactElement {
  const does = (what: Parameters<typeof acts.does>[1]) => (): void => void acts.does(need, what);
  const says = {
    'to-order': `On the order list${need.source ? `, from ${need.source}` : ''}`,
    ordered: `On its way${need.source ? ` from ${need.source}` : ''}${need.expected ? `, due ${dayWords(need.expected)}` : ''}`,
    reserved: `Set aside${shelf ? ` at ${shelf}` : ''}`,
    fitted: 'Fitted',
    dropped: '',
  }[need.state];
  return (
    <>
      <p
        className={`mt-1 text-xl ${need.state === 'reserved' || need.state === 'fitted' ? 'font-semibold text-moss' : ''}`}
      >
        {says}
        {now === 'unwanted' && <span className="font-semibold text-ochre">. It is not wanted any more</span>}
        {now === 'done' && <span className="font-semibold text-ochre">. The work is done: is it in?</span>}
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
        {need.state === 'reserved' && (
          <>
            {now !== 'unwanted' && <Button onClick={does('fit')}>It is fitted</Button>}
            <Button look={now === 'unwanted' ? 'plain' : 'quiet'} onClick={does('release')}>
              Give it back
            </Button>
          </>
        )}
        {(need.state === 'to-order' || need.state === 'ordered') && (
          <Button look="quiet" className="!px-0" onClick={does('drop')}>
            Not wanted
          </Button>
        )}
        {need.state === 'fitted' && (
          <Button look="quiet" className="!px-0" onClick={does('return')}>
            It came out again
          </Button>
        )}
      </div>
      {need.part === null && need.state === 'to-order' && (
        <WhichPart name={need.name} parts={parts} onTake={(part) => void acts.does(need, 'name', part)} />
      )}
      {ways.length > 0 && (
        <ul aria-label="In the house" className="mt-2">
          {ways.map((way) => (
            <li key={way.part?.id}>
              <RowButton onClick={() => void acts.does(need, 'reserve', way.part?.id)} aside="here now">
                {wayDoes(way)}: <strong>{way.part?.name}</strong>
                {way.condition && <span className="block text-soft">{way.condition}</span>}
              </RowButton>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
