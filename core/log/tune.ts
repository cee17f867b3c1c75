import { ledgerOf, readBlip, type Ledger, type LedgerEvent } from '../tuning';
import { screwOf } from '../knowledge';
import type { Entry } from './entry';

/** The checks that read a speed. */
const SPEED_OF: Readonly<Record<string, 'idle' | 'full' | undefined>> = {
  'idle-speed': 'idle',
  'full-speed': 'full',
};

/** The screws' ledger from a job's entries that still count, a later count of the screws not taking an earlier one's place. */
export function readLedger(entries: readonly Entry[]): Ledger {
  return ledgerOf(
    entries.flatMap((e): LedgerEvent[] => {
      if (e.kind === 'screw') {
        const { screw, eighths, trial } = e.body;
        return [{ ref: e.id, kind: 'move', screw, eighths, ...(trial && { trial }) }];
      }
      if (e.kind === 'heard')
        return [{ ref: e.id, kind: 'heard', blip: readBlip(e.body.track, e.body.seconds) }];
      if (e.kind === 'put-back' && 'layer' in e.body && e.body.turns !== undefined) {
        const screw = screwOf(e.body.layer);
        return screw ? [{ ref: e.id, kind: 'set', screw, turns: e.body.turns }] : [];
      }
      const of = e.kind === 'finding' ? SPEED_OF[e.body.check] : undefined;
      const rpm = e.kind === 'finding' ? (e.body.reading?.rpm ?? []) : [];
      if (of && rpm.length > 0)
        return [{ ref: e.id, kind: 'read', of, rpm: rpm.reduce((x, y) => x + y, 0) / rpm.length }];
      const turns = e.kind === 'finding' && e.body.check === 'screw-turns' && e.body.reading?.turns;
      return turns ? [{ ref: e.id, kind: 'count', turns }] : [];
    }),
  );
}
