import {
  crosswise,
  screwCounts,
  screwPlanOf,
  screwsLeft,
  type Noted,
  type Photo,
  type Picture,
  type ScrewPlan,
  type Thing,
} from '@rusty-wren/core/log';
import { Check } from 'lucide-react';
import { useState, type ReactElement, type ReactNode } from 'react';
import { aspectOf, placed, ScrewBoard } from './ScrewBoard';

/** The screws of a cover that goes back on, one after the other in the order they are drawn down. */
function ScrewsIn({
  plan,
  photos,
  driven,
  onDriven,
}: {
  plan: ScrewPlan;
  photos: readonly Photo[];
  driven: ReadonlySet<number>;
  onDriven: (driven: ReadonlySet<number>) => void;
}): ReactElement {
  const order = crosswise(plan.screws, aspectOf(plan.on, photos));
  const next = order.find((n) => !driven.has(n));
  const toggle = (n: number): void => {
    const then = new Set(driven);
    if (!then.delete(n)) then.add(n);
    onDriven(then);
  };
  return (
    <section aria-label="Its screws" className="max-w-xl">
      <p className="mt-3 text-lg">
        <strong>{screwCounts(plan.screws)}</strong>, finger-tight first, then in this order.
      </p>
      <ScrewBoard on={plan.on} photos={photos}>
        {order.map((n, at) => {
          const screw = plan.screws[n]!;
          const isIn = driven.has(n);
          return (
            <button
              key={n}
              type="button"
              aria-pressed={isIn}
              aria-label={`Screw ${at + 1}, ${screw.kind}`}
              onClick={() => toggle(n)}
              style={{ ...placed(screw), translate: '-50% -1.375rem' }}
              className="absolute grid justify-items-center leading-none"
            >
              <span
                className={`grid size-11 place-items-center rounded-full border-2 text-lg font-bold ${
                  isIn
                    ? 'border-paper bg-ink text-paper'
                    : n === next
                      ? 'border-rust bg-paper text-rust'
                      : 'border-ink bg-paper'
                }`}
              >
                {isIn ? <Check aria-hidden /> : at + 1}
              </span>
              <span className="rounded bg-paper px-1 font-semibold whitespace-nowrap">{screw.kind}</span>
            </button>
          );
        })}
      </ScrewBoard>
    </section>
  );
}

/**
 * What puts a thing back on, under the plan of its screws where it has one: `children` gets what is noted besides, which is the
 * screws that are left over once at least one of them was said to be in.
 */
export function WithScrews({
  of,
  picture,
  children,
}: {
  of: Thing;
  picture: Pick<Picture, 'screwPlans' | 'photos'>;
  children: (left: readonly Noted[]) => ReactNode;
}): ReactElement {
  const [driven, setDriven] = useState<ReadonlySet<number>>(new Set());
  const plan = screwPlanOf(of, picture.screwPlans);
  const left = plan && driven.size > 0 ? screwsLeft(plan, driven) : [];
  const count = plan && driven.size > 0 ? plan.screws.length - driven.size : 0;
  return (
    <>
      {plan && <ScrewsIn plan={plan} photos={picture.photos} driven={driven} onDriven={setDriven} />}
      {count > 0 && (
        <p role="status" className="mt-3 text-lg font-bold text-ochre">
          {count === 1 ? 'One is' : `${count} are`} not in yet. What is left over lies on the tray.
        </p>
      )}
      {children(left)}
    </>
  );
}
