import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { complains, JOB, jobWith } from '../testing/bench';
import {
  atTheBench,
  benchLine,
  benchOf,
  findBy,
  foundRow,
  leaveNothing,
  percentOf,
  pickCheck,
  sheet,
  step,
  suspectRow,
  suspects,
  tap,
  title,
  trail,
  user,
  wholeOf,
  write,
} from '../testing/whole';
import { takingCheckIns } from '../testing/server';

leaveNothing();

describe('a reason', () => {
  it('of what was found leads to its entry', async () => {
    await benchOf(complains('fades-under-way'), 'vent blocked', 'fuelfilter clean');
    await user.click(foundRow('tank-vent-blocked')!.querySelector('button')!);
    await tap('See where', suspects());
    expect(document.activeElement?.textContent).toMatch(/Test the tank vent: blocked/);
  });

  it('is given for any cause, however faint', async () => {
    await benchOf(complains('no-fire'), 'spark strong');
    await tap('Why not something else?', suspects());
    const which = () => sheet().getByLabelText('Which cause');
    await user.type(which(), 'xyzzy');
    expect(sheet().getByText('No cause of that name.')).toBeTruthy();
    await user.clear(which());
    await user.type(which(), 'coil');
    await user.click(sheet().getAllByRole('button', { name: /^Coil failed/ })[0]!);
    expect(sheet().getByText(/before anything was said or found/)).toBeTruthy();
    expect(sheet().getByRole('list', { name: 'What moved it' }).textContent).toContain(
      'Lowered by Look at the spark: strong',
    );
    await tap(/Look at the spark/, sheet());
    expect(document.activeElement?.textContent).toMatch(/Look at the spark: strong/);
  });

  it('the entry worth repeating says what would change if it were otherwise', async () => {
    await benchOf(complains('no-fire'));
    await findBy('Look at the spark', 'strong', 'Doubtful');
    for (const [check, result] of [
      ['Smell the fuel', 'fresh'],
      ['Prime in the cylinder', 'nothing'],
      ['Look at the flywheel key', 'whole'],
    ] as const)
      await findBy(check, result);
    const again = suspects().getByRole('button', { name: /Look at the spark: strong/ });
    expect(again.textContent).toMatch(/If .+: .+ \d+\s%/);
    await user.click(again);
    expect(title()).toBe('Look at the spark');
  });
});

describe('the map', () => {
  it('warms to what is found, clears what is not, and leads to a check', async () => {
    const { goTo } = await benchOf(complains('fades-under-way'), 'fuelfilter clean', 'vent blocked');
    await user.click(suspects().getByRole('link', { name: 'Map' }));
    const board = await screen.findByRole('group', { name: 'Cause map' });
    const part = (name: string): HTMLElement => board.querySelector(`[data-part=${name}]`)!;
    expect(part('tank').getAttribute('aria-label')).toMatch(/Tank and vent: \d\d\s%/);
    expect(part('filter').getAttribute('aria-label')).toBe('Fuel filter: cleared');
    part('exhaust').focus();
    await user.keyboard('{Enter}');
    const panel = within(screen.getByRole('region', { name: 'Exhaust' }));
    await tap(/Spark screen coked/, panel);
    expect(screen.getByRole('dialog').textContent).toContain('before anything was said or found');
    await user.keyboard('{Escape}');
    await tap(/Look at the spark screen/, panel);
    await atTheBench();
    expect(step().getByText('You chose')).toBeTruthy();
    expect(title()).toMatch(/spark screen/i);
    await goTo(`/job/${JOB.id}`);
    await user.keyboard('m');
    expect(await screen.findByRole('group', { name: 'Cause map' })).toBeTruthy();
  });
});

describe('what is said to have been done before', () => {
  it('is noted from the history with what came of it, moves the suspects, and is taken back by one tap', async () => {
    await benchOf(complains('no-fire'), 'off plug', 'spark none');
    const before = percentOf('coil-failed');
    await tap(/^History/);
    await tap('Somebody worked on it before');
    expect(sheet().getByRole('button', { name: 'Note it' })).toHaveProperty('disabled', true);
    await tap('New coil', sheet());
    const coil = within(sheet().getByRole('region', { name: 'New coil' }));
    await user.click(coil.getByRole('radio', { name: 'No better' }));
    await user.click(coil.getByRole('radio', { name: 'By another shop' }));
    await tap('Note it', sheet());
    expect(sheet().getByText('new coil, by another shop, no better')).toBeTruthy();
    await user.keyboard('{Escape}');
    expect(percentOf('coil-failed')).toBeLessThan(before / 2);
    expect(trail().getByText(/Said done before/)).toBeTruthy();
    await tap(/^History/);
    await tap(/^Not done: new coil/);
    await user.keyboard('{Escape}');
    expect(percentOf('coil-failed')).toBe(before);
  });

  it('is written on the bench line as well, and asked about where it may be either', async () => {
    await benchOf(complains('no-fire'));
    await write('said new plug, no better');
    expect(trail().getByText(/new plug, no better/)).toBeTruthy();
    await user.click(benchLine());
    await user.paste('said filter new');
    await user.keyboard('{Enter}');
    await tap('New fuel filter');
    expect(trail().getByText(/new fuel filter/)).toBeTruthy();
  });
});

describe('where the trade disagrees', () => {
  it('both ways stand at the check with their reasons, what the plan thinks of each, and what is done here', async () => {
    await benchOf(complains('leaks-fuel'));
    await pickCheck('Pressure-test the line alone');
    const ask = step().getByRole('button', { name: 'The trade disagrees: pump early or late?' });
    await user.click(ask);
    expect(step().getByText('Pump the line before anything is opened.')).toBeTruthy();
    expect(step().getByText('The plan: pressure-test the line alone, now.')).toBeTruthy();
    expect(step().getByText(/^The plan: look at the fuel lines?, after/)).toBeTruthy();
    await user.click(ask);
    expect(step().queryByText('Pump the line before anything is opened.')).toBeNull();
  });
});

describe('the same can', () => {
  it('counts on this job what was found on the other, until the link is cut', async () => {
    const other = jobWith(complains('hard-to-start'), 'smell stale');
    const mine = jobWith(complains('hard-to-start'), {
      kind: 'history',
      body: { answers: { sharedCan: true } },
    });
    const shared = { kind: 'history', body: { answers: { sharedCan: true } } } as const;
    const theirs = jobWith(complains('hard-to-start'), shared, 'smell stale');
    await wholeOf([
      {
        ...mine,
        sameCan: [
          {
            job: { ...other.job, id: '5e0c1f7a-8f1b-4a53-9a53-0d6f0c7c1a99', tag: 142 },
            entries: theirs.entries,
          },
        ],
      },
    ]);
    await atTheBench();
    await user.click(suspectRow('stale-fuel')!.querySelector('button')!);
    expect(suspectRow('stale-fuel')!.textContent).toContain('Tag 142, same can. Smell the fuel: stale');
    const linked = percentOf('stale-fuel');
    await tap(/^History/);
    await tap('Cut the link with 142');
    await user.keyboard('{Escape}');
    expect(percentOf('stale-fuel')).toBeLessThan(linked);
    expect(trail().getByText(/Fuel can/)).toBeTruthy();
    await tap(/^History/);
    await tap('Link with 142 again');
    await user.keyboard('{Escape}');
    expect(percentOf('stale-fuel')).toBe(linked);
  });
});

describe('a job as a case file', () => {
  it('goes out and comes in at check-in with all it found; what is no case file is refused by name', async () => {
    const { goTo, router } = await wholeOf(
      [jobWith(complains('no-fire'), 'comp 62 98 117 124', 'spark none')],
      { answer: takingCheckIns() },
    );
    await atTheBench();
    const lead = suspects().getAllByRole('listitem')[0]!.textContent;
    await tap(/^History/);
    const link = screen.getByRole('link', { name: 'Save as a case file' });
    expect(link.getAttribute('download')).toBe('tag-141.case.json');
    const text = decodeURIComponent(link.getAttribute('href')!.split(',').slice(1).join(','));
    expect(JSON.parse(text)).toMatchObject({ format: 'rusty-wren-case/1', machine: { kind: 'chainsaw' } });
    await user.keyboard('{Escape}');

    await goTo('/check-in');
    const file = await screen.findByLabelText('From a case file');
    const asFile = (name: string, what: string) => new File([what], name, { type: 'application/json' });
    await user.upload(file, asFile('bad.json', '{"format":"x"}'));
    expect((await screen.findByRole('alert')).textContent).toContain('bad.json: format must be');
    await user.upload(file, asFile('job.json', text));
    expect(await screen.findByText(/entries of the file go on the log/)).toBeTruthy();
    await user.type(screen.getByRole('textbox', { name: 'Owner' }), 'Somebody Else');
    for (const field of ['Maker', 'Model'])
      if ((screen.getByLabelText(field) as HTMLInputElement).value === '')
        await user.type(screen.getByLabelText(field), 'Brakken');
    await tap('Check it in');
    await waitFor(() => expect(router.state.location.pathname).toMatch(/^\/job\//));
    expect((await atTheBench()).textContent).toContain('Look at the spark: none');
    expect(suspects().getAllByRole('listitem')[0]!.textContent).toBe(lead);
  });
});
