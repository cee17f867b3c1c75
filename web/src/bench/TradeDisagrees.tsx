import type { NextCheck } from '@rusty-wren/core/diagnosis';
import type { CheckDef, Disagreement } from '@rusty-wren/core/knowledge';
import { Split } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { useTradeWords } from '../job/tradeWords';
import { inSentence, minutesWords } from '../ui/words';

/** What the plan thinks, here and now, of the check of that name that an opinion would make. */
function planSays({ id, name }: Pick<CheckDef, 'id' | 'name'>, plan: readonly NextCheck[]): string {
  const at = plan.findIndex((n) => n.check === id);
  const check = inSentence(name);
  if (at < 0) return `The plan: ${check} would change nothing now.`;
  if (at === 0) return `The plan: ${check}, now.`;
  const net = plan[at]!.net;
  const saves = net > 0 ? ` saves ${minutesWords(net)}` : '';
  return `The plan: ${check}${saves}, after ${at === 1 ? 'one other' : `${at} others`}.`;
}

/** Where practitioners disagree on what is in hand: both ways with their reasons, what the plan thinks of each, what is done here. */
export function TradeDisagrees({
  on,
  plan = [],
}: {
  on: readonly Disagreement[];
  plan?: readonly NextCheck[];
}): ReactElement | null {
  const { checkOf } = useTradeWords();
  const [open, setOpen] = useState<string | null>(null);
  const shown = on.find((d) => d.id === open);
  if (on.length === 0) return null;
  return (
    <div>
      {on.map(({ id, about }) => (
        <button
          key={id}
          type="button"
          aria-expanded={open === id}
          onClick={() => setOpen(open === id ? null : id)}
          className="mr-5 inline-flex min-h-11 items-center gap-1 text-left text-soft hover:underline"
        >
          <Split size={18} className="shrink-0" aria-hidden /> The trade disagrees: {about}
        </button>
      ))}
      {shown && (
        <div className="max-w-[62ch] border-l-4 border-line pl-3 text-lg leading-snug">
          <ul>
            {shown.opinions.map(({ says, because, check }) => (
              <li key={says} className="py-1">
                <strong className="font-semibold">{says}</strong> {because}
                {check && plan.length > 0 && (
                  <span className="block text-soft">{planSays(checkOf(check), plan)}</span>
                )}
              </li>
            ))}
          </ul>
          <p className="py-1">
            <span className="text-soft">Here: </span>
            {shown.here}
          </p>
        </div>
      )}
    </div>
  );
}
