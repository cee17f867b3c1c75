import {
  behaviourOf,
  causeOf,
  checkOf,
  CHOICE_NAMES,
  conditionWords,
  familyOf,
  layerOf,
  oftenWords,
  proofRun,
  remedyOf,
  SPANS,
  type Span,
  resultOf,
  type Counted,
  type FailsWhen,
  type History,
  type RepairOutcome,
  type ToldHow,
} from '../knowledge';
import type { MachineKind } from '../machine';
import { formatTurns } from '../units';
import type { Reading } from '../reading';
import { moveInWords, readBlip } from '../tuning';
import type { Bodies, Entry, RebuildTick, Stage, StartOutcome, TalkAbout } from './entry';
import type { OffItem, ToMend, TrailLine } from './picture';
import { lineSays } from './lines';
import { saidDoneWords } from './saidDone';
import { screwCounts } from './screwPlan';
import { nameOfThing } from './tray';

/** Words as a sentence begins. */
export const sentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Words as they stand in one. */
export const lowered = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** Why nothing of a thing that is off lies on the tray. */
export const GONE_WORDS: Readonly<Record<NonNullable<OffItem['gone']>, string>> = {
  missing: 'missing',
  binned: 'in the bin',
};
/** What each stage is called, on a tag and in the trail. */
export const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  hook: 'On its hook',
  bench: 'On the bench',
  parts: 'Waits for parts',
  answer: 'Waits for an answer',
  proof: 'Being proved',
  closed: 'Closed',
};
/** How a repair turned out. */
export const OUTCOME_WORDS: Readonly<Record<RepairOutcome, string>> = {
  cured: 'cured it',
  better: 'better, not cured',
  'no-change': 'changed nothing',
  untried: 'done, not tried yet',
};
/** An amount without its currency, which is the shop's. */
const amountWords = (cents: number): string => (cents / 100).toFixed(2);
/** When it does it, as it is told. */
const FAILS_WORDS: Readonly<Record<FailsWhen, string>> = {
  hot: 'fails hot',
  cold: 'fails cold',
  refuelled: 'fails after refuelling',
  stood: 'fails after standing',
  tilted: 'fails tilted',
  'part-throttle': 'fails at part throttle',
  always: 'fails hot and cold',
};
/** How an owner gave an answer. */
export const HOW_WORDS: Readonly<Record<ToldHow, string>> = {
  counter: 'at the counter',
  phone: 'by phone',
  letter: 'by letter',
  page: 'on their page',
};
const TALK_LABELS: Readonly<Record<TalkAbout | 'note', string>> = {
  note: 'Note',
  promise: 'Promised',
  call: 'Call',
  order: 'Order',
  said: 'The owner said',
  told: 'Told the owner',
};
const FOUND = { told: 'the owner was told', left: 'left' } as const;
const SAFETY = {
  'put-right': 'put right',
  told: 'the owner was told',
  refused: 'the owner refused in writing',
} as const;
const ANSWERS = { 'put-right': 'put right', 'ruled-out': 'ruled out', waived: 'waived' } as const;

/** How many pulls came before a look. */
export const pullsWords = (pulls: number): string => `after ${pulls} ${pulls === 1 ? 'pull' : 'pulls'}`;

/** A raw reading as it was written down, with its unit. */
export function readingWords(reading: Reading): string {
  const parts = [
    reading.psi && `${reading.psi.join(' ')} psi`,
    reading.mm && `${reading.mm.map((mm) => mm.toFixed(2)).join(' and ')} mm`,
    reading.rpm && `${reading.rpm.join(' ')} rpm`,
    reading.turns &&
      // The store keeps no order of keys.
      (['L', 'H'] as const)
        .flatMap((screw) =>
          reading.turns?.[screw] === undefined ? [] : `${screw} ${formatTurns(reading.turns[screw])}`,
        )
        .join(', '),
    reading.trace && traceWords(reading.trace),
    reading.decompressor === 'open' && 'valve open',
    reading.throttle === 'shut' && 'throttle shut',
    reading.engine === 'cold' && 'cold',
    reading.contact === 'scrape' && 'scrapes',
    reading.contact === 'quiet' && 'quiet when turned',
    reading.simulated && 'simulated',
    reading.dryPsi && `${reading.dryPsi} dry`,
  ];
  return parts.filter(Boolean).join(', ');
}

function traceWords({ points, unit, simulated }: NonNullable<Reading['trace']>): string {
  const first = points[0];
  const last = points.at(-1);
  if (!first || !last) return '';
  return `${first[1]} to ${last[1]} ${unit} in ${Math.round(last[0] - first[0])} s${simulated ? ', simulated' : ''}`;
}

/** A span in the words it was picked by, while it still says those months; null where it was counted. */
const spanSaid = (said: Span | undefined, months: number): string | null =>
  said && SPANS[said].months === months ? SPANS[said].label.toLowerCase() : null;

/** History answers in words, one each. */
export function historyWords(h: History): string[] {
  const months = (n: number): string => (n < 1 ? 'under a month' : n === 1 ? '1 month' : `${n} months`);
  return [
    h.monthsStored !== undefined &&
      (h.monthsStored === 0
        ? 'in use till now'
        : `stood ${spanSaid(h.storedSaid, h.monthsStored) ?? months(h.monthsStored)}`),
    h.fuelAgeMonths !== undefined &&
      `fuel ${spanSaid(h.fuelSaid, h.fuelAgeMonths) ?? `${months(h.fuelAgeMonths)} old`}`,
    h.mixedBy &&
      h.mixedBy !== 'unknown' &&
      { owner: 'owner mixes', shop: 'shop mix', canned: 'canned mix' }[h.mixedBy],
    h.stopped &&
      {
        suddenly: 'stopped suddenly',
        gradually: 'got worse gradually',
        'no-restart-after-rest': 'no restart after a rest',
      }[h.stopped],
    h.failsWhen && FAILS_WORDS[h.failsWhen],
    h.comesAndGoes && 'comes and goes',
    h.openedBefore &&
      { yes: 'somebody has been into it', no: 'never opened', unknown: 'opened before? not known' }[
        h.openedBefore
      ],
    h.lightUse && 'light use',
    h.dailyUse && 'daily use',
    h.sharedCan && 'other machines on the same can',
    h.alreadyTried && `already tried: ${h.alreadyTried}`,
  ].filter((words): words is string => !!words);
}

const after = (words: string | undefined): string => (words ? `. ${words}` : '');

const doneWords = (body: ToMend, kind?: MachineKind): string => {
  if ('other' in body) return body.other;
  return body.remedy ? remedyOf(body.remedy).does : causeOf(body.cause, kind).remedy;
};

/** What came of a try at starting. */
export const START_WORDS: Readonly<Record<StartOutcome, string>> = {
  runs: 'runs',
  pops: 'only pops',
  nothing: 'nothing',
};

/** The steps of a rebuild that are said, each as a thing done. */
export const TICK_WORDS: Readonly<Record<RebuildTick, string>> = {
  'links-seen': 'links and springs looked at before they were unhooked',
  'lines-tagged': 'lines tagged at both ends',
  scribed: 'line scribed across body and covers',
  'off-enough': 'off far enough',
  'screen-takes-spray': 'screen takes the spray with the lever pressed',
  'button-matched': 'new diaphragm’s button as high as the old one’s',
  'impulse-met': 'gasket hole over the impulse port',
  'links-worked': 'throttle and choke full travel, by hand',
  'wires-clear': 'stop and earth wires clear',
  'links-again': 'throttle and choke full travel with the covers on',
  'flood-cleared': 'flooded engine cleared',
};
const REBUILD_ANSWERS = {
  kit: 'to be renewed: all that the kit holds',
  failed: 'to be renewed: only what failed',
  whole: 'to be renewed: the whole carburettor',
  'as-came-off': 'goes back in the order it came off',
  'as-usual': 'goes back in the usual order, not as it came off',
} as const;

/** What a photo shows, in a line: of what, when, and its pins by number. */
export function photoWords({ of, when, words, pins = [] }: Bodies['photo']): string {
  const what = of && !('entry' in of) && nameOfThing(of);
  const said = [what, when, words, ...pins.map((pin, n) => `${n + 1} ${pin.words}`)];
  return said.filter(Boolean).join(', ') || 'taken';
}

function offWords(body: Bodies['took-off']): string {
  const name = nameOfThing(body);
  if ('part' in body) return name;
  if ('thing' in body) {
    const { count, place } = body;
    return [count !== undefined && count > 1 ? `${count} × ${name}` : name, place].filter(Boolean).join(', ');
  }
  const { layer, condition, uncounted } = body;
  const how = condition && conditionWords(layer, condition);
  return [name, how, uncounted && 'not counted'].filter(Boolean).join(', ');
}

/** An entry as the trail tells it: what it is about, and what it says. `kind`: whose words are used. */
export function entryWords(
  { entry, judged }: Pick<TrailLine, 'entry' | 'judged'>,
  kind?: MachineKind,
): {
  about: string;
  says: string;
} {
  switch (entry.kind) {
    case 'complaint':
      return {
        about: 'Complaint',
        says: [
          behaviourOf(entry.body.complaint).label,
          entry.body.often && oftenWords(entry.body.often),
          entry.body.words && `“${entry.body.words}”`,
        ]
          .filter(Boolean)
          .join(', '),
      };
    case 'history':
      return { about: 'History', says: historyWords(entry.body.answers).join(', ') };
    case 'said-done':
      return { about: 'Said done before', says: saidDoneWords(entry.body) };
    case 'finding':
      return findingSays(entry, judged, kind);
    case 'took-off':
      return { about: 'Off', says: offWords(entry.body) };
    case 'put-back': {
      const { body } = entry;
      const renewed = 'layer' in body && body.renewed && 'a new one';
      const set =
        'layer' in body && body.turns !== undefined && `set ${formatTurns(body.turns)} out, its count lost`;
      return { about: 'Back on', says: [nameOfThing(body), renewed, set].filter(Boolean).join(', ') };
    }
    case 'thrown-away':
      return { about: 'Thrown away', says: nameOfThing(entry.body) };
    case 'left-off':
      return { about: 'Left off on purpose', says: `${nameOfThing(entry.body)}. ${entry.body.words}` };
    case 'condition': {
      const { layer, condition } = entry.body;
      return { about: layerOf(layer).name, says: conditionWords(layer, condition) };
    }
    case 'line':
      return { about: 'Line', says: lineSays(entry.body) };
    case 'carburettor':
      return { about: 'Carburettor', says: familyOf(entry.body).name.toLowerCase() };
    case 'rebuild-step': {
      const { body } = entry;
      return {
        about: 'Rebuild',
        says: 'answer' in body ? REBUILD_ANSWERS[body.answer] : TICK_WORDS[body.step],
      };
    }
    case 'photo':
      return { about: 'Photo', says: photoWords(entry.body) };
    case 'screw-plan':
      return {
        about: 'Screws',
        says: `${nameOfThing(entry.body.of)}: ${screwCounts(entry.body.screws)}`,
      };
    case 'worth': {
      const { ageYears, like } = entry.body;
      return {
        about: 'Its worth',
        says: [
          ageYears !== undefined && (ageYears === 1 ? 'a year old' : `${ageYears} years old`),
          like !== undefined && `a like one costs ${amountWords(like)}`,
        ]
          .filter(Boolean)
          .join(', '),
      };
    }
    case 'choice-set': {
      const { choice, price, days, offered, words } = entry.body;
      return {
        about: 'Choice',
        says: [
          CHOICE_NAMES[choice],
          offered === false && 'not offered',
          price !== undefined && amountWords(price),
          days !== undefined && `in ${days} ${days === 1 ? 'day' : 'days'}`,
          words,
        ]
          .filter(Boolean)
          .join(', '),
      };
    }
    case 'decision': {
      const { choice, by, how, price, words } = entry.body;
      return {
        about: 'Decided',
        says: [
          CHOICE_NAMES[choice],
          price !== undefined && `at ${amountWords(price)}`,
          `${by}, ${HOW_WORDS[how]}`,
          words,
        ]
          .filter(Boolean)
          .join(', '),
      };
    }
    case 'paper':
      return { about: 'Given', says: entry.body.title };
    case 'tray-passed':
      return { about: 'Started all the same', says: entry.body.words };
    case 'repair':
      return {
        about: 'Repair',
        says: `${doneWords(entry.body, kind)}: ${OUTCOME_WORDS[entry.body.outcome]}${after(entry.body.note)}`,
      };
    case 'verdict': {
      const { body } = entry;
      if ('other' in body) return { about: 'Settled', says: body.other };
      return 'settles' in body
        ? { about: 'Settled', says: `${causeOf(body.settles, kind).name}${after(body.words)}` }
        : {
            about: 'Behind it',
            says: `${causeOf(body.behind, kind).name}: ${ANSWERS[body.answer]}${after(body.words)}`,
          };
    }
    case 'answered': {
      const { body } = entry;
      return 'cause' in body
        ? {
            about: 'Found',
            says: `${causeOf(body.cause, kind).name}: ${FOUND[body.answer]}${after(body.words)}`,
          }
        : { about: 'Safety fault', says: `${SAFETY[body.safety]}${after(body.words)}` };
    }
    case 'screw': {
      const { trial, why } = entry.body;
      return {
        about: trial ? 'Screw, to see what it does' : 'Screw',
        says: [moveInWords(entry.body), why].filter(Boolean).join('. '),
      };
    }
    case 'heard': {
      const { idle, full } = readBlip(entry.body.track, entry.body.seconds);
      const round = (rpm: number): number => Math.round(rpm / 10) * 10;
      return {
        about: 'Listened',
        says:
          [
            idle && `idle ${round(idle.mean)}`,
            full && `full ${round(full.mean)} rpm`,
            entry.body.by === 'stand-in' && 'simulated',
          ]
            .filter(Boolean)
            .join(', ') || 'nothing to be read',
      };
    }
    case 'start': {
      const { state, pulls, outcome, drill } = entry.body;
      const came = START_WORDS[outcome];
      return {
        about: 'Start',
        says: [`${state}, ${came} ${pullsWords(pulls)}`, drill && `drill: ${drill}`]
          .filter(Boolean)
          .join(', '),
      };
    }
    case 'proved':
      return {
        about: 'Proved',
        says:
          'step' in entry.body
            ? lowered(proofRun(entry.body.step).label)
            : `enough of ${lowered(proofRun(entry.body.enough).label)}: ${Math.round(entry.body.sure * 100)} in 100 that it is cured`,
      };
    case 'at-owners': {
      const { uses, again, words } = entry.body;
      return {
        about: 'At its owner’s',
        says: `after ${usesWords(uses)}, ${again ? 'it did it again' : 'it runs right'}${after(words)}`,
      };
    }
    case 'swapped-back':
      return {
        about: 'Put back to see',
        says: `${lowered(entry.body.what)}: ${entry.body.again ? 'it did it again' : 'it still runs right'}`,
      };
    case 'note':
      return { about: TALK_LABELS[entry.body.about ?? 'note'], says: entry.body.text };
    case 'hazard-passed':
      return { about: 'Run all the same', says: entry.body.words };
    case 'can':
      return {
        about: 'Fuel can',
        says: entry.body.shared ? 'the same as another job’s' : 'not the same as another job’s',
      };
    case 'stage': {
      const { stage, waitingFor, reason } = entry.body;
      return { about: 'Stage', says: [STAGE_WORDS[stage], waitingFor, reason].filter(Boolean).join(': ') };
    }
    case 'strike':
      return { about: 'Struck', says: entry.body.reason };
  }
}

/** After how many uses an owner said it. */
export const usesWords = (uses: number): string => (uses === 1 ? 'the first use' : `${uses} uses`);

/** How often a check failed of how often it was made. */
const countWords = ({ failed, of }: Counted): string =>
  failed === 0 ? `each of ${of} times` : `${failed} of ${of} times`;

function findingSays(
  entry: Extract<Entry, { kind: 'finding' }>,
  judged: TrailLine['judged'],
  kind?: MachineKind,
): { about: string; says: string } {
  const { check, result, reading, counts, pulls, note } = entry.body;
  const id = result ?? (judged && 'result' in judged ? judged.result : undefined);
  // Not judged yet is not the same as cannot be.
  const label =
    id !== undefined ? (resultOf(check, id)?.label ?? id) : judged ? 'cannot be judged' : undefined;
  return {
    about: checkOf(check, kind).name,
    says: [
      label,
      counts && countWords(counts),
      reading && readingWords(reading),
      pulls !== undefined && pullsWords(pulls),
      note,
    ]
      .filter(Boolean)
      .join(', '),
  };
}
