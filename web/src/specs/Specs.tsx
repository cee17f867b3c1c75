import { clearMessage, factsOf, specCardsSchema, type SpecCard } from '@rusty-wren/contract';
import { readSpecTable, specTable } from '@rusty-wren/core/machine';
import { useState, type ReactElement } from 'react';
import { useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { problemWords, refusalIn, useModelsQuery, useSetSpecsMutation, useSpecsQuery } from '../api/api';
import { TakeTable } from '../ui/TakeTable';
import { Button } from '../ui/Button';
import { RowButton } from '../ui/RowButton';
import { saveFile } from '../ui/saveFile';
import { Loading, NotFetched } from '../ui/State';
import { ModelNotes } from './ModelNotes';
import { SpecForm } from './SpecForm';

const keyOf = ({ maker, model }: { maker: string; model: string }): string =>
  `${maker} ${model}`.toLowerCase();

/** Cards from a dropped table or JSON, or one sentence on why not. */
function cardsIn(text: string): { cards: SpecCard[] } | { problem: string } {
  let cards: unknown;
  if (/^\s*[[{]/.test(text)) {
    try {
      const parsed = JSON.parse(text) as unknown;
      cards = Array.isArray(parsed) ? parsed : (parsed as { cards?: unknown }).cards;
    } catch (error) {
      return { problem: `It is not JSON: ${(error as Error).message}` };
    }
  } else {
    const read = readSpecTable(text);
    if ('problem' in read) return read;
    cards = read.lines;
  }
  const { error } = specCardsSchema.validate({ cards }, { convert: false });
  return error ? { problem: `${clearMessage(error)}.` } : { cards: cards as SpecCard[] };
}

/** The maker's figures, a card a model: what every verdict goes by before the class. */
export function Specs(): ReactElement {
  const { data: cards, isLoading, error, refetch } = useSpecsQuery();
  const { data: known = [] } = useModelsQuery();
  const [send] = useSetSpecsMutation();
  const [params, setParams] = useSearchParams();
  const [find, setFind] = useState('');
  if (isLoading) return <Loading what="Fetching the cards…" />;
  if (!cards) return <NotFetched why={problemWords(error)} onRetry={() => void refetch()} />;
  const machines = new Map(known.map((m) => [keyOf(m), m]));
  const byKey = new Map(cards.map((card) => [keyOf(card), card]));
  const models = [...new Map<string, { maker: string; model: string }>([...machines, ...byKey]).entries()]
    .map(([key, { maker, model }]) => ({ key, maker, model, card: byKey.get(key) }))
    .filter(({ key }) => key.includes(find.trim().toLowerCase()))
    .toSorted((x, y) => x.key.localeCompare(y.key));
  const wanted = params.get('model')?.toLowerCase() ?? models[0]?.key ?? '';
  const open = models.find((m) => m.key === wanted);
  const put = async (wantedCards: SpecCard[]): Promise<string | null> => refusalIn(await send(wantedCards));
  const takeIn = (text: string): string | null => {
    const read = cardsIn(text);
    if ('problem' in read) return read.problem;
    void put(read.cards).then((refused) =>
      refused ? toast.error(refused) : toast.success(`${read.cards.length} cards taken in`),
    );
    return null;
  };
  return (
    <div className="grid flex-1 gap-x-10 gap-y-6 px-3 py-5 sm:px-5 lg:grid-cols-[20rem_minmax(0,46rem)]">
      <section aria-label="Models">
        <h1 className="text-4xl font-bold">Spec cards</h1>
        <input
          aria-label="Find a model"
          placeholder="Find a model"
          value={find}
          onChange={(e) => setFind(e.target.value)}
          className="mt-3 min-h-11 w-full rounded-md border-2 border-line bg-card px-3 text-lg"
        />
        <ul className="mt-2 max-h-[26rem] overflow-y-auto">
          {models.map(({ key, maker, model, card }) => (
            <li key={key}>
              <RowButton
                aria-current={key === wanted}
                onClick={() => setParams({ model: key })}
                aside={
                  <span className={card ? 'font-semibold text-moss' : 'text-soft'}>
                    {card ? 'maker' : 'class'}
                  </span>
                }
              >
                <span className={key === wanted ? 'font-bold underline underline-offset-4' : ''}>
                  {maker} {model}
                </span>
              </RowButton>
            </li>
          ))}
        </ul>
        {models.length === 0 && <p className="mt-2 text-lg text-soft">No such model.</p>}
        <div className="mt-4 flex flex-wrap gap-2">
          <Button
            onClick={() => saveFile('spec-cards.csv', specTable(cards), 'text/csv')}
            disabled={cards.length === 0}
          >
            Save as CSV
          </Button>
          <Button
            onClick={() =>
              saveFile('spec-cards.json', JSON.stringify({ cards }, null, 1), 'application/json')
            }
            disabled={cards.length === 0}
          >
            as JSON
          </Button>
        </div>
        <TakeTable what="Cards as CSV or JSON" onTake={takeIn} />
      </section>
      {open ? (
        <div>
          <SpecForm
            key={`${open.key} ${JSON.stringify(open.card?.figures ?? {})}`}
            card={open.card ?? { maker: open.maker, model: open.model, figures: {} }}
            machine={factsOf(machines.get(open.key) ?? { kind: 'chainsaw', displacementCc: null })}
            onSave={(card) => put([card])}
          />
          <ModelNotes maker={open.maker} model={open.model} />
        </div>
      ) : (
        <p className="text-xl text-soft">Check a machine in, or drop a table of cards.</p>
      )}
    </div>
  );
}
