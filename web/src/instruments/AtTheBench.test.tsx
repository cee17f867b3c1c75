import { cleanup, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { complains, jobWith } from '../testing/bench';
import { benchOf, leaveNothing, pickCheck, step, tap, trail, user, wholeOf, write } from '../testing/whole';

beforeEach(() => benchOf(complains('fades-under-way')));
leaveNothing();

/** Writes a figure anew into a field of the step, or of the page. */
async function fill(label: string, figure: string, where: Pick<typeof screen, 'getByLabelText'> = step()) {
  const field = where.getByLabelText(label);
  await user.clear(field);
  await user.type(field, figure);
}
/** All that the page says. */
const page = (): string => document.querySelector('main')?.textContent ?? '';
const radio = (name: string) => user.click(step().getByRole('radio', { name }));

describe('compression', () => {
  it('is corrected for the bench it stands on, refused with the throttle shut, and kept for the model', async () => {
    await pickCheck('Measure compression');
    await fill('Gauge after each pull, psi', '70 92 101 104 105');
    expect(step().getByText('Marginal')).toBeTruthy();
    await radio('shut');
    expect(step().getByText(/^Throttle shut/)).toBeTruthy();
    await radio('Throttle open');
    await tap(/^This gauge and bench/, step());
    await fill('Altitude, m', '2000');
    expect(step().getByText('Good')).toBeTruthy();
    await tap('Log it', step());
    expect(trail().getByText(/good, 70 92 101 104 105 psi/)).toBeTruthy();
    await pickCheck('Measure compression');
    expect(step().getByText(/^This machine: 13\d psi on/)).toBeTruthy();
    expect(step().getByText(/2000 m$/)).toBeTruthy();
  });
});

describe('a run of low readings', () => {
  it('asks whether it is the gauge, where chance would not do it', async () => {
    const job = jobWith(complains('weak-under-load'), 'off plug');
    const low = { low: 6, of: 6, usualLow: 10, usualOf: 40 };
    await wholeOf([{ ...job, latelyLow: low }], { at: `/job/${job.job.id}?check=compression-gauge` });
    expect(await screen.findByText(/6 of the last 6 machines read low here: is it the gauge\?/)).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Hold another beside it' }).getAttribute('href')).toBe(
      '/tools/gauges',
    );
  });
});

describe('the coil gap', () => {
  it('says which end to move, by cards or by feeler', async () => {
    await pickCheck('Measure the coil air gap');
    await radio('Cards');
    await fill('Top leg, cards', '1');
    await fill('Bottom leg, cards', '2');
    expect(step().getByText(/^Lower end in by 0\.4[12] mm \(16 thou\)$/)).toBeTruthy();
    await radio('mm');
    await fill('Top leg, mm', '0.30');
    await fill('Bottom leg, mm', '9');
    expect(step().getByText('Bottom leg, mm: 9 is outside 0 to 3.')).toBeTruthy();
    await fill('Bottom leg, mm', '0,45');
    expect(step().getByText('Lower end in by 0.15 mm (6 thou)')).toBeTruthy();
    await tap('How to set it', step());
    expect(step().getByText(/Tighten the upper screw first, then the lower/)).toBeTruthy();
    await tap('Log it: one leg off', step());
    expect(trail().getByText(/uneven, 0\.30 and 0\.45 mm/)).toBeTruthy();
  });

  it('that measures right but scrapes is tight', async () => {
    await pickCheck('Measure the coil air gap');
    await fill('Top leg, mm', '0.30');
    await fill('Bottom leg, mm', '0.31');
    expect(step().getByText('Right')).toBeTruthy();
    await radio('Scrapes');
    expect(step().getByText('Too tight')).toBeTruthy();
    await tap('Log it: too tight', step());
    expect(trail().getByText(/tight, 0\.30 and 0\.31 mm, scrapes/)).toBeTruthy();
  });
});

describe('the screws', () => {
  it('are counted by tapping eighths', async () => {
    await pickCheck('Count the screws to their seats');
    for (let n = 0; n < 3; n++) await tap('L an eighth', step());
    await tap('L an eighth back', step());
    for (let n = 0; n < 3; n++) await tap('H a turn', step());
    expect(step().getByLabelText('L turns').textContent).toBe('1/4');
    expect(step().getByText(/^2 further out/)).toBeTruthy();
    await tap('Log it: far out', step());
    expect(trail().getByText(/far out, L 1\/4, H 3/)).toBeTruthy();
  });
});

describe('a watch', () => {
  it('goes on though another entry is logged meanwhile', async () => {
    await pickCheck('Pressure-test the tank');
    await fill('Gauge now, psi', '2.9');
    await user.keyboard('{Enter}');
    expect(step().getByRole('button', { name: /^Take out 2.9/ })).toBeTruthy();
    await write('smell fresh');
    expect(step().getByRole('button', { name: /^Take out 2.9/ })).toBeTruthy();
  });
});

describe('in the dark', () => {
  const dark = () => screen.getByRole('dialog', { name: 'Lights out' });
  it('a faint spark is read by keyboard', async () => {
    await pickCheck('Look at the spark');
    await user.keyboard('l');
    expect(dark().className).toContain('bg-black');
    await user.keyboard(' n ');
    expect(dark().textContent).toContain('2 of 3 pulls');
    await user.keyboard('{Enter}');
    expect(dark().textContent).toContain('Some pulls, not all. How sure?');
    await tap('Fairly');
    expect(screen.queryByRole('dialog')).toBeNull();
    expect(trail().getByText(/flickers/)).toBeTruthy();
    expect(trail().getByText(/fairly sure/)).toBeTruthy();
  });

  it('the stop wire is gone through step by step to where the short is', async () => {
    await pickCheck('Spark with the stop wire off');
    const answer = async (name: string) => user.click(step().getAllByRole('button', { name })[0]!);
    expect(step().getByText('1. Wire on, switch at run. Tester on the lead.')).toBeTruthy();
    await answer('Nothing');
    expect(step().getByText('2. Pull the stop wire off the coil.')).toBeTruthy();
    await answer('Nothing');
    expect(step().getByText(/Not the stop circuit/)).toBeTruthy();
    await answer('Take back');
    // In the dark, and only fairly sure.
    await answer('Lights out');
    await user.keyboard(' n{Enter}');
    await tap('Fairly');
    expect(step().getByText('3. Wire back on the coil. Unplug it at the switch.')).toBeTruthy();
    await answer('Spark');
    expect(step().getByText(/The switch is shorted/)).toBeTruthy();
    await answer('Log it');
    expect(trail().getByText(/comes back, shorted in the switch/)).toBeTruthy();
    expect(trail().getByText(/Top cover/)).toBeTruthy();
  });
});

describe('without a job', () => {
  beforeEach(() => cleanup());
  it('the reckoners reckon, and say what they cannot', async () => {
    const { goTo } = await wholeOf([], { at: '/tools/fuel' });
    await screen.findByLabelText('Petrol, litres');
    await fill('Petrol, litres', '4', screen);
    expect(page()).toContain('80 ml oil at 50:1');
    await fill('Oil that is in it, ml', '200', screen);
    expect(page()).toContain('Add 6.00 l petrol');
    await fill('Petrol, litres', 'four', screen);
    expect(screen.getByText('Petrol, litres: "four" is not a number.')).toBeTruthy();
    await goTo('/tools/air');
    await screen.findByLabelText('Works at, m');
    await fill('Works at, m', '1500', screen);
    const [there] = screen.getAllByLabelText('and °C');
    await user.clear(there!);
    await user.type(there!, '5');
    expect(screen.getByText(/^7\.\d % richer$/)).toBeTruthy();
    expect(screen.getByText('in 1/8')).toBeTruthy();
    await user.click(screen.getByRole('link', { name: 'Converter' }));
    await screen.findByLabelText('Figure');
    await fill('Figure', '7', screen);
    expect(screen.getByText('0.4826')).toBeTruthy();
  });

  it('two gauges are held side by side', async () => {
    await wholeOf([], { at: '/tools/gauges' });
    await screen.findByLabelText('This gauge');
    expect(screen.getByText('3 readings more.')).toBeTruthy();
    for (const [n, mine, other] of [
      ['', '92', '100'],
      [', 2', '110', '121'],
      [', 3', '64,5', '70'],
    ] as const) {
      await fill(`This gauge${n}`, mine, screen);
      await fill(`The other${n}`, other, screen);
    }
    expect(screen.getByText('Reads 8 % low')).toBeTruthy();
    await user.clear(screen.getByLabelText('The other, 3'));
    await user.type(screen.getByLabelText('The other, 3'), 'x');
    expect(screen.getByRole('alert').textContent).toContain('Reading 3');
  });

  it('a substitute diaphragm is held to the old one', async () => {
    await wholeOf([], { at: '/tools/button' });
    await screen.findByLabelText('Old button, mm');
    await fill('Old button, mm', '1.2', screen);
    await fill('Substitute, mm', '1.6', screen);
    expect(screen.getByText(/0\.40 mm prouder: it leans on the lever and floods/)).toBeTruthy();
    await fill('Substitute, mm', '1.25', screen);
    expect(screen.getByText(/it fits/)).toBeTruthy();
  });

  it('the school of two turns is chosen once, and judges every screw from then on', async () => {
    const { goTo } = await wholeOf([], { at: '/tools/screws' });
    await tap('L a turn');
    expect(screen.getByText('at baseline, 1 usual')).toBeTruthy();
    await user.click(screen.getByRole('radio', { name: '2 turns' }));
    expect(screen.getByText('1 further in, 2 usual')).toBeTruthy();
    await goTo('/specs');
    await goTo('/tools/screws');
    expect((await screen.findAllByText(/, 2 usual/)).length).toBeGreaterThan(0);
  });
});
