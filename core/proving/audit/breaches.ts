import { explainsAny } from '../../diagnosis';
import { CHOICE_NAMES, checkOf } from '../../knowledge';
import { linesOf, type Block, type Entry, type Said } from '../../log';
import type { MachineFacts } from '../../machine';
import { causeClause, causeSaid, foundMended } from '../../paper';
import { labourOf, mostOf, partsFor, priceSaid, USUAL_RULES, withTax } from '../../worth';
import { readerOf, unstruckIn } from './oracle';
import { money, type Told } from './telling';

/** The sentences of a paper, each with the heading it stands under. */
function sentences(blocks: readonly Block[]): { under: string; said: Said }[] {
  let under = '';
  return blocks.flatMap((block) => {
    if (block.is === 'heading') under = block.text;
    if (block.is === 'text') return [{ under, said: block }];
    if (block.is === 'list') return block.items.map((said) => ({ under, said }));
    return block.is === 'choice'
      ? block.items.map((said) => ({ under: `choice ${block.choice}`, said }))
      : [];
  });
}
const text = (blocks: readonly Block[]): string => blocks.flatMap(linesOf).join('\n');

/** Every sentence rests on entries that count, and every figure on it is the one that was written down. */
function groundless(told: Told, live: ReadonlyMap<string, Entry>): string[] {
  return Object.entries(told.papers).flatMap(([paper, blocks]) =>
    sentences(blocks).flatMap(({ said }) => [
      ...said.from
        .filter((id) => !live.has(id))
        .map(() => `a: ${paper} rests on what was struck: ${said.text}`),
      ...figuresMissing(said, live).map((wanted) => `a: ${paper} does not say ${wanted}: ${said.text}`),
    ]),
  );
}

/** The figures an instrument showed that a sentence about them does not say, in its own unit. */
function figuresMissing({ text, from }: Said, live: ReadonlyMap<string, Entry>): string[] {
  if (from.length !== 1 || !/measured|showed/.test(text)) return [];
  const entry = live.get(from[0]!);
  const reading = entry?.kind === 'finding' ? entry.body.reading : undefined;
  if (!reading) return [];
  const psi = reading.psi?.at(-1);
  const wanted = [
    ...(psi === undefined ? [] : [`showed ${psi.toFixed(0)} psi`]),
    ...(reading.mm ?? []).map((mm) => mm.toFixed(2)),
  ];
  return wanted.filter((w) => !text.includes(w));
}

/** What was seen sound is never faulty in the account, what was mended never open, what stands never missing. */
function accountUntrue(
  { account, picture }: Told,
  entries: readonly Entry[],
  machine: MachineFacts,
): string[] {
  const out: string[] = [];
  for (const [cause, says] of readerOf(entries, machine)) {
    const state = account.matters.find((m) => m.cause === cause)?.state;
    if (says === 'sound' && state && state !== 'vain')
      out.push(`b: ${cause} was seen sound and is called ${state}`);
    if (says === 'mended' && state === 'standing')
      out.push(`b: the account has ${cause} standing, which was mended`);
    if (says === 'standing' && state !== 'standing') out.push(`b: the account misses ${cause}, which stands`);
    if (says === 'asked' && state !== 'standing' && !picture.setRight.some((s) => s.cause === cause))
      out.push(`b: ${cause} was seen wrong, then right, and nobody is asked`);
  }
  return out;
}

/** The same of the papers. */
function untrue({ account, papers }: Told, entries: readonly Entry[], machine: MachineFacts): string[] {
  const out: string[] = [];
  const open = sentences(papers.report).filter((s) => s.under === 'What is wrong');
  const left = sentences(papers['work-done']).filter((s) => s.under === 'What was left');
  const done = [...sentences(papers.report), ...sentences(papers['work-done'])].filter(
    (s) => s.under === 'What was done',
  );
  const { kind } = machine;
  const has = (list: readonly { said: Said }[], text: string): boolean =>
    list.some(({ said }) => said.text.includes(text));
  for (const [cause, says] of readerOf(entries, machine)) {
    if (says === 'sound' && has(open, causeSaid(cause, kind)))
      out.push(`b: the report calls ${cause} wrong, which was seen sound`);
    if (says === 'sound' && has(done, foundMended(cause, kind)))
      out.push(`b: ${cause} was seen sound and is said to have been put right`);
    if (says === 'mended' && (has(open, causeSaid(cause, kind)) || has(left, causeClause(cause, kind))))
      out.push(`b: ${cause} was mended and is called open`);
    if (says === 'standing' && !has(open, causeSaid(cause, kind)))
      out.push(`b: the report does not say that ${cause} stands`);
  }
  if (
    text(papers.report).includes('What is wrong has not been seen yet.') &&
    account.matters.some((m) => m.state === 'mended')
  )
    out.push('b: the report says that nothing has been seen, and something was mended');
  return out;
}

/** Headline, columns, paper and quote agree to the cent. */
function atOdds({ worth, headline, columns, papers, account }: Told, machine: MachineFacts): string[] {
  const out: string[] = [];
  const best = worth.choices.find((c) => c.id === worth.best);
  if (best && headline !== columns.get(CHOICE_NAMES[best.id]))
    out.push(`c: the headline says ${headline}, its column ${columns.get(CHOICE_NAMES[best.id])}`);
  for (const choice of worth.choices) {
    const { price, id, jobs } = choice;
    if (price.low > price.mean + 1 || price.mean > price.high + 1)
      out.push(`c: the mean of ${id} lies outside its range`);
    const block = papers.report.find((b) => b.is === 'choice' && b.choice === id);
    if (block?.is === 'choice' && block.price !== priceSaid(price, money))
      out.push(`c: the paper says ${block.price} for ${id}, the column ${priceSaid(price, money)}`);
    if (block?.is === 'choice' && block.upTo !== undefined && block.upTo !== mostOf(price))
      out.push(`c: the owner would agree to ${block.upTo} for ${id}, which may come to ${mostOf(price)}`);
    const worked = id === 'mend' || id === 'top-end' || id === 'short-block' || id === 'bare';
    if (
      worked &&
      price.low === price.high &&
      !choice.byHand &&
      jobs.every((j) => j.chance > 0.999) &&
      jobs.length > 0
    ) {
      const { ratePerHour, smallestCharge, diagnosisFee, taxPermille } = USUAL_RULES;
      const minutes = jobs.reduce((n, j) => n + j.job.minutes, 15);
      const parts = jobs.reduce((n, j) => n + partsFor([], j.job.id, machine).price, 0);
      const net = Math.max(diagnosisFee, smallestCharge, labourOf(minutes, ratePerHour) + parts);
      if (withTax(net, taxPermille) !== price.mean)
        out.push(`c: the jobs of ${id} come to ${withTax(net, taxPermille)}, its price says ${price.mean}`);
    }
  }
  const of = (id: string) => worth.choices.find((c) => c.id === id)?.price;
  const [as, mend] = [of('as-it-is'), of('mend')];
  if (as && mend && as.low > mend.low) out.push('c: leaving it costs more than mending it may');
  if (account.decided && mend && mend.low !== mend.high)
    out.push('c: what it is was settled, and its price is open');
  if (account.decided)
    for (const { job } of worth.choices.find((c) => c.id === 'mend')?.jobs ?? [])
      for (const cause of job.done ? [] : job.mends)
        if (!account.matters.some((m) => m.cause === cause && m.state === 'standing'))
          out.push(`c: ${cause} is priced, and nobody settled on it`);
  const wanted = worth.finished && best ? `${priceSaid(best.price, money)}, with tax` : null;
  if (wanted && !text(papers.report).includes(wanted)) out.push(`c: the report does not say ${wanted}`);
  if (worth.finished && /We would take/.test(text(papers.report)))
    out.push('c: all is done, and the report still offers a choice');
  return out;
}

/** What is fetched for it and what it would teach are of faults that are there, or were. */
function wantedInVain(
  { wants, lesson, picture }: Told,
  entries: readonly Entry[],
  machine: MachineFacts,
): string[] {
  const out: string[] = [];
  const complaints = picture.complaints.map((c) => c.complaint);
  for (const [cause, says] of readerOf(entries, machine)) {
    const taught = lesson?.found[cause] !== undefined;
    if ((says === 'sound' || says === 'mended') && wants.some((w) => w.use === cause))
      out.push(`b: a part is to be fetched for ${cause}, which is ${says}`);
    if (says === 'sound' && taught) out.push(`b: ${cause} was seen sound and would be learnt`);
    if (says === 'mended' && !taught && explainsAny(cause, complaints))
      out.push(`b: ${cause} was mended and would not be learnt`);
  }
  return out;
}

/** Nothing runs the tool while something forbids it, and the owner is told all of it. */
function unsafe(told: Told, entries: readonly Entry[]): string[] {
  const { phase, plan, papers, worth } = told;
  const live = unstruckIn(entries);
  const walk = live.findLastIndex((e) => e.kind === 'finding' && e.body.check === 'safety-walkround');
  const at = live[walk];
  if (at?.kind !== 'finding' || at.body.result !== 'fault') return [];
  const words = at.body.note ?? 'not named';
  const answers = live
    .slice(walk + 1)
    .flatMap((e) => (e.kind === 'answered' && 'safety' in e.body ? [e.body.safety] : []));
  const passed = live.slice(walk + 1).some((e) => e.kind === 'hazard-passed');
  const out: string[] = [];
  if (answers.includes('put-right')) {
    if (!text(papers['work-done']).includes(`Found and put right, for safety: ${words}.`))
      out.push('g: a safety fault was put right, and the work done does not say so');
    if (Object.values(papers).some((p) => text(p).includes('Not to be used before')))
      out.push('g: a safety fault was put right, and a paper still forbids using it');
    return out;
  }
  for (const [paper, blocks] of Object.entries(papers))
    if (!text(blocks).includes(words)) out.push(`g: ${paper} does not name the safety fault`);
  if (!answers.includes('refused'))
    for (const c of worth.choices)
      if (
        ['bare', 'mend', 'top-end', 'short-block'].includes(c.id) &&
        !c.jobs.some((j) => j.job.does.includes(words))
      )
        out.push(`g: ${c.id} does not price the safety fault`);
  if (!passed) {
    const running = (id: Parameters<typeof checkOf>[0]): boolean =>
      ['running', 'started'].includes(checkOf(id).engine ?? '');
    if (phase.kind === 'prove') out.push('e: it is to be proved with a safety fault standing');
    if (phase.kind === 'stop' && phase.stop.why === 'try')
      out.push('e: it is to be tried with a safety fault standing');
    if (phase.kind === 'check' && running(phase.check))
      out.push(`e: ${phase.check} is asked for with a safety fault standing`);
    if (plan.next[0] && running(plan.next[0].check))
      out.push('e: the plan runs it with a safety fault standing');
  }
  return out;
}

/** The proof is not lost by what it does not concern: cured once and not complained of since, the screen is one of those after it. */
function lostProof({ picture, phase }: Told, entries: readonly Entry[]): string[] {
  const live = unstruckIn(entries);
  const cured = live.findLastIndex((e) => e.kind === 'repair' && e.body.outcome === 'cured');
  if (cured < 0 || picture.stage === 'closed') return [];
  const since = live.slice(cured + 1);
  if (since.some((e) => e.kind === 'complaint' || (e.kind === 'start' && e.body.outcome !== 'runs')))
    return [];
  if (
    since.some((e) => e.kind === 'repair' && (e.body.outcome === 'no-change' || e.body.outcome === 'better'))
  )
    return [];
  const lost =
    phase.kind === 'settle' ||
    phase.kind === 'check' ||
    (phase.kind === 'stop' && phase.stop.why !== 'found');
  return lost ? [`d: it was cured, and the screen asks for ${phase.kind} again`] : [];
}

/** Everything that an act left at odds with the log: sentences, each begun by the letter of what is held. */
export function breachesIn(told: Told, entries: readonly Entry[], machine: MachineFacts): string[] {
  const live = new Map(unstruckIn(entries).map((e) => [e.id, e]));
  const always = [
    ...accountUntrue(told, entries, machine),
    ...wantedInVain(told, entries, machine),
    ...lostProof(told, entries),
  ];
  if (!told.whole) return always;
  return [
    ...always,
    ...groundless(told, live),
    ...untrue(told, entries, machine),
    ...atOdds(told, machine),
    ...unsafe(told, entries),
  ];
}

/** What undoing an act has to bring back, as text. */
export const standOf = ({ account, picture }: Told): string =>
  JSON.stringify([account, picture.proof, picture.stage, picture.setRight, picture.off, picture.found]);
