import type { Drawer } from '@rusty-wren/contract';
import { NO_SOURCE, orderList, workingDaysOn, type SourceOrder } from '@rusty-wren/core/parts';
import { tableOf } from '@rusty-wren/core/table';
import type { ReactElement } from 'react';
import { toast } from 'sonner';
import { v4 as uuid } from 'uuid';
import { useActOnPartMutation, usePlaceOrdersMutation } from '../api/api';
import { Button } from '../ui/Button';
import { useMoney } from '../ui/money';
import { toldRefused } from '../ui/refused';
import { saveFile } from '../ui/saveFile';
import { WhichPart } from './WhichPart';
import { todayIs } from './words';

const SOURCELESS = 'Nobody wrote down where';

/** How many of each part come for the drawer itself. */
function comingToDrawer({ orders, needs }: Drawer): Map<string, number> {
  const coming = new Map<string, number>();
  for (const o of orders) coming.set(o.part, (coming.get(o.part) ?? 0) + o.count);
  for (const n of needs)
    if (n.state === 'ordered' && n.part) coming.set(n.part, (coming.get(n.part) ?? 0) - n.count);
  return coming;
}

const rowsOf = ({ lines }: SourceOrder): string[][] =>
  lines.map(({ part, forJobs, forDrawer }) => [part.code ?? '', part.name, String(forJobs + forDrawer)]);

/** What is to be ordered now, by source: sent off in one tap, copied, or saved as a table. */
export function ToOrder({ drawer }: { drawer: Drawer }): ReactElement {
  const money = useMoney();
  const [place] = usePlaceOrdersMutation();
  const [act] = useActOnPartMutation();
  const wanted = drawer.needs.filter((n) => n.state === 'to-order');
  const list = orderList(
    drawer.parts,
    wanted.flatMap((n) => (n.part ? [{ part: n.part, count: n.count, source: n.source }] : [])),
    comingToDrawer(drawer),
  );
  const unknown = wanted.filter((n) => n.part === null);
  const send = async (order: SourceOrder): Promise<void> => {
    const taken = new Set<string>();
    const orders = order.lines.map(({ part, forJobs, forDrawer }) => {
      const expected = workingDaysOn(
        todayIs(),
        part.sources.find((s) => s.name === order.source)?.waitDays ?? order.waitDays,
      );
      // Of those who want it, the ones that want it from here.
      let left = forJobs;
      const needs = wanted.filter((n) => {
        if (n.part !== part.id || taken.has(n.id) || n.count > left) return false;
        if (n.source !== null && n.source !== order.source) return false;
        left -= n.count;
        taken.add(n.id);
        return true;
      });
      return {
        id: uuid(),
        part: part.id,
        count: forJobs + forDrawer,
        source: order.source,
        ...(order.source !== NO_SOURCE && { expected }),
        needs: needs.map((n) => n.id),
      };
    });
    if (!toldRefused(await place({ orders })))
      toast.success(`Ordered from ${order.source || 'them'}: ${order.lines.length} parts.`);
  };
  return (
    <section aria-label="To order">
      <h2 className="text-2xl font-bold">To order</h2>
      {list.length + unknown.length === 0 && <p className="mt-1 text-lg text-soft">Nothing.</p>}
      {list.map((order, n) => (
        <div key={order.source} role="group" aria-label={order.source || SOURCELESS} className="mt-3">
          <div className="flex flex-wrap items-baseline justify-between gap-x-4">
            <h3 className="text-xl font-semibold">{order.source || SOURCELESS}</h3>
            <p className="text-lg tabular-nums">
              {money.exact(order.total)}
              {order.waitDays > 0 && `, ${order.waitDays} ${order.waitDays === 1 ? 'day' : 'days'}`}
            </p>
          </div>
          <ul className="mt-1 text-lg leading-snug">
            {order.lines.map(({ part, forJobs, forDrawer }) => (
              <li key={part.id} className="flex justify-between gap-4 border-b border-line py-1.5">
                <span className="min-w-0">
                  {part.name}
                  {forJobs > 0 && (
                    <span className="block font-semibold">
                      for{' '}
                      {wanted
                        .filter((w) => w.part === part.id)
                        .map((w) => w.tag)
                        .join(', ')}
                    </span>
                  )}
                </span>
                <strong className="tabular-nums">{forJobs + forDrawer}</strong>
              </li>
            ))}
          </ul>
          <div className="mt-2 flex flex-wrap items-center gap-x-4">
            <Button
              look={n === 0 && order.lines.some((l) => l.forJobs > 0) ? 'rust' : 'plain'}
              onClick={() => void send(order)}
            >
              It is ordered
            </Button>
            <Button
              look="quiet"
              className="!px-0"
              onClick={() =>
                void navigator.clipboard
                  .writeText(
                    rowsOf(order)
                      .map(([code, name, count]) => `${count} × ${code} ${name}`)
                      .join('\n'),
                  )
                  .then(() => toast.success('Copied.'))
              }
            >
              Copy
            </Button>
            <Button
              look="quiet"
              className="!px-0"
              onClick={() =>
                saveFile(
                  `order-${(order.source || 'parts').toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')}.csv`,
                  tableOf(['code', 'name', 'count'], rowsOf(order)),
                  'text/csv',
                )
              }
            >
              CSV
            </Button>
          </div>
        </div>
      ))}
      {unknown.length > 0 && (
        <div className="mt-3">
          <h3 className="text-xl font-semibold">To be looked for</h3>
          <ul className="text-lg leading-snug">
            {unknown.map((n) => (
              <li key={n.id} className="border-b border-line py-1.5">
                {n.name} <strong>for {n.tag}</strong>, {n.machine}
                <WhichPart
                  name={n.name}
                  parts={drawer.parts}
                  onTake={(part) =>
                    void act({ jobId: n.jobId, need: n.id, act: 'name', id: uuid(), part }).then(toldRefused)
                  }
                />
              </li>
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}
