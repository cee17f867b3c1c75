import { judgeLegs, judgePlugGap } from '../airgap';
import { judgeCompression, judgeWet } from '../compression';
import type { CheckId } from '../knowledge';
import type { MachineFacts } from '../machine';
import { figuresOf } from '../machine';
import { judgeLever, judgePopOff } from '../metering';
import { questionOf } from './plausible';
import type { Reading } from './shown';
import { isPressureCheck, judgeWatch } from '../pressure';
import { judgeSpeed, judgeTurns } from '../tuning';
import type { Judged } from '../verdict';

/** The reading field each measured check is judged from. */
export const READING_FIELD: Partial<
  Record<CheckId, keyof Pick<Reading, 'psi' | 'mm' | 'rpm' | 'turns' | 'trace'>>
> = {
  'compression-gauge': 'psi',
  'compression-wet': 'psi',
  'pop-off': 'psi',
  'plug-gap': 'mm',
  'coil-gap': 'mm',
  'metering-lever': 'mm',
  'screw-turns': 'turns',
  'idle-speed': 'rpm',
  'full-speed': 'rpm',
  'line-pressure': 'trace',
  'inlet-pressure': 'trace',
  'tank-pressure': 'trace',
  'crankcase-pressure': 'trace',
  'crankcase-vacuum': 'trace',
};

const missing = (field: string): Judged => ({ refused: `The reading has no ${field}.` });

/** Judges a check's raw reading. Refused, with the reason, when it cannot be judged. */
export function judgeReading(check: CheckId, reading: Reading, machine: MachineFacts): Judged {
  const { psi = [], mm = [], rpm = [], turns = {}, trace } = reading;
  const question = questionOf(check, reading);
  if (question) return { refused: question };
  if (isPressureCheck(check)) return trace ? judgeWatch(check, trace) : missing('trace');
  switch (check) {
    case 'compression-gauge':
      return psi.length ? judgeCompression({ ...reading, psi }, machine) : missing('psi');
    case 'compression-wet':
      if (!psi.length) return missing('psi');
      return reading.dryPsi ? judgeWet(psi, reading.dryPsi) : missing('dry figure to compare with');
    case 'pop-off': {
      const { popOffPsi } = figuresOf(machine);
      return judgePopOff(psi, popOffPsi, machine.spec?.popOffPsi?.[1]);
    }
    case 'plug-gap':
      return mm[0] === undefined ? missing('mm') : judgePlugGap(mm[0], figuresOf(machine).plugGapMm);
    case 'coil-gap':
      return mm.length ? judgeLegs(mm, figuresOf(machine).gapMm, reading.contact) : missing('mm');
    case 'metering-lever':
      return mm[0] === undefined ? missing('mm') : judgeLever(mm[0], figuresOf(machine).leverMm);
    case 'screw-turns':
      return judgeTurns(turns);
    case 'idle-speed':
      return judgeSpeed('idle', rpm, machine);
    case 'full-speed':
      return judgeSpeed('full', rpm, machine);
    default:
      return { refused: `${check} is not judged from a reading.` };
  }
}
