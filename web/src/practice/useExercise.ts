import type { Job, JobWithLog } from '@rusty-wren/contract';
import type { Noted as OnLog } from '@rusty-wren/core/log';
import {
  caseIn,
  codeOf,
  hiddenOf,
  logOf,
  workedBy,
  type Exercise,
  type Hidden,
  type Move,
  type Worked,
} from '@rusty-wren/core/practice';
import { useCallback, useMemo, useState } from 'react';
import { toast } from 'sonner';
import type { Log } from '../job/useLog';
import { readAtBench, type JobAtBench } from '../job/readAtBench';
import { usePractice } from './kept';

/** The job that stands on the bench in practice. It has no number, hangs on no rack and is sent nowhere. */
const jobOf = (hidden: Hidden, from: number): Job => ({
  id: `practice ${codeOf(hidden.exercise)}`,
  tag: 0,
  customer: { id: 'practice', name: 'Practice', circle: null, phone: null },
  machine: {
    id: 'practice',
    kind: hidden.machine.kind,
    maker: hidden.maker,
    model: hidden.model,
    serial: null,
    displacementCc: hidden.machine.displacementCc ?? null,
  },
  checkedInAt: new Date(from).toISOString(),
  promisedFor: null,
});

const atBenchOf = (hidden: Hidden, worked: Worked, from: number): JobAtBench => {
  const job: JobWithLog = {
    job: jobOf(hidden, from),
    entries: logOf(hidden, worked, from),
    squeezes: [],
    sameCan: [],
  };
  return readAtBench(job, [], hidden.machine.baselineTurns ?? 1);
};

/** What the bench line and the tray note, as moves of an exercise; a sentence where it is none. */
function movesOf(noted: readonly OnLog[], worked: Worked): readonly Move[] | string {
  const moves: Move[] = [];
  for (const { kind, body } of noted) {
    if (kind === 'took-off' && 'part' in body) {
      if (!worked.off.includes(body.part)) moves.push({ do: 'off', part: body.part });
    } else if (kind === 'put-back' && 'part' in body) moves.push({ do: 'on', part: body.part });
    else if (kind === 'finding') {
      if (worked.inHand?.check !== body.check) return 'Look first: nothing has been shown of that.';
      const { result, reading, sureness } = body;
      moves.push({
        do: 'note',
        check: body.check,
        noted: { ...(reading ? { reading } : { result }), sureness },
      });
    } else if (kind === 'repair' && 'cause' in body)
      moves.push({ do: 'mend', cause: body.cause, ...(body.remedy && { remedy: body.remedy }) });
    else return 'That is not part of the practice: it was not noted.';
  }
  return moves;
}

/** An exercise as it goes on, kept on this device move by move. */
export function useExercise(exercise: Exercise) {
  const code = codeOf(exercise);
  const { kept, goOn, putAway, finish } = usePractice();
  const going = kept.going[code];
  const [begun] = useState(() => Date.now());
  const from = going?.from ?? begun;
  // The same moves stay the same, however often they are read back.
  const written = JSON.stringify(going?.moves ?? []);
  const moves = useMemo(() => JSON.parse(written) as readonly Move[], [written]);
  const hidden = useMemo(() => hiddenOf(exercise), [exercise]);
  const worked = useMemo(() => workedBy(hidden, moves), [hidden, moves]);
  const atBench = useMemo(() => atBenchOf(hidden, worked, from), [hidden, worked, from]);
  const take = useCallback(
    (...more: readonly Move[]) => goOn(code, from, [...moves, ...more]),
    [goOn, code, from, moves],
  );
  const log = useMemo((): Log => {
    const all = (noted: readonly OnLog[]): void => {
      const next = movesOf(noted, worked);
      if (typeof next === 'string') toast.error(next);
      else take(...next);
    };
    return Object.assign(
      (kind: OnLog['kind'], body: OnLog['body']): string => {
        // Kind and body came as a pair: the compiler loses that here.
        all([{ kind, body } as OnLog]);
        return '';
      },
      { all },
    );
  }, [worked, take]);
  return { code, hidden, moves, worked, atBench, log, take, finish, putAway, about: caseIn(hidden, worked) };
}
