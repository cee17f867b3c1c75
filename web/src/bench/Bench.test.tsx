import { screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { complains } from '../testing/bench';
import {
  benchLine,
  benchOf,
  foundRow,
  leaveNothing,
  pickCheck,
  sheet,
  step,
  suspectRow,
  suspects,
  tap,
  title,
  trail,
  tray,
  user,
  write,
} from '../testing/whole';

leaveNothing();

describe('the bench line', () => {
  it('shows what it understood, logs it, and says what it did not', async () => {
    await benchOf(complains('no-fire'));
    await user.keyboard('/');
    expect(document.activeElement).toBe(benchLine());
    await user.keyboard('gap top .30 bottom .45');
    expect(screen.getByText(/Measure the coil air gap: 0\.3 0\.45 mm/)).toBeTruthy();
    await user.keyboard('{Enter}');
    expect(trail().getByText(/uneven, 0\.30 and 0\.45 mm/)).toBeTruthy();
    await user.click(benchLine());
    await user.keyboard('spark purple{Enter}');
    expect(screen.getByRole('alert').textContent).toBe(
      'Look at the spark: which? strong, flickers, weak, none',
    );
    expect(benchLine().value).toBe('spark purple');
    // The gap lies behind the recoil: it is off now, and is not taken off twice.
    expect(tray().getByRole('button', { name: 'Put back: Recoil starter' })).toBeTruthy();
    await user.clear(benchLine());
    await user.keyboard('off recoil{Enter}');
    expect(screen.getByRole('alert').textContent).toBe('Recoil starter is off already.');
    await write('put all back');
    expect(tray().getByText('nothing')).toBeTruthy();
    await write('note ring her first');
    expect(trail().getByText('ring her first')).toBeTruthy();
  });
});

describe('the keys', () => {
  it('work a job without a pointer', async () => {
    const { router } = await benchOf(complains('no-fire'));
    const first = title();
    await user.keyboard('o');
    expect(step().getByText('You chose')).toBeTruthy();
    await user.keyboard('b');
    expect(title()).toBe(first);
    await user.keyboard('q1');
    expect(trail().getByText('(doubtful)')).toBeTruthy();
    await user.keyboard('?');
    const keys = await screen.findByRole('dialog', { name: 'Keys' });
    expect(keys.textContent).toContain('write on the bench line');
    await user.keyboard('{Escape}r');
    expect(router.state.location.pathname).toBe('/');
  });

  it('a number logs nothing while something else has the focus', async () => {
    await benchOf(complains('no-fire'));
    const entries = () => trail().getAllByRole('listitem').length;
    const before = entries();
    screen.getByRole('button', { name: /^History/ }).focus();
    await user.keyboard('1');
    expect(entries()).toBe(before);
    (document.activeElement as HTMLElement).blur();
    await user.keyboard('1');
    expect(entries()).toBeGreaterThan(before);
  });

  it('one key takes a slip back, and what was opened for it with it', async () => {
    await benchOf(complains('no-fire'));
    await pickCheck('Look at the air filter');
    await tap('dusty', step());
    expect(tray().getByRole('button', { name: 'Put back: Air box' })).toBeTruthy();
    await user.keyboard('z');
    expect(tray().getByText('nothing')).toBeTruthy();
    const struck = document.querySelector('[data-entry=finding][data-state=struck]')?.textContent;
    expect(struck).toContain('dusty');
    expect(struck).toContain('Slip');
  });
});

describe('a measured check', () => {
  it('is judged as it is typed, and refused with the starting valve open', async () => {
    await benchOf(complains('no-fire'));
    await pickCheck('Measure compression');
    const figures = step().getByLabelText('Gauge after each pull, psi');
    await tap('Log it', step());
    expect(step().getByRole('alert').textContent).toContain('nothing is written');
    await user.type(figures, '62 9x 117');
    await tap('Log it', step());
    expect(step().getByRole('alert').textContent).toContain('give the gauge after each pull');
    await user.clear(figures);
    await user.type(figures, '42 61 70 74');
    expect(step().getByText('Low')).toBeTruthy();
    expect(step().getByText(/^heading for \d+ psi/)).toBeTruthy();
    await user.click(step().getByLabelText('Starting valve open'));
    expect(step().getByText(/Starting valve open: shut it/)).toBeTruthy();
    await user.click(step().getByLabelText('Starting valve open'));
    await tap('Log it', step());
    expect(trail().getByText(/low, 42 61 70 74 psi/)).toBeTruthy();
    expect(document.querySelector('[data-suspect]')?.textContent).toMatch(/Piston|Ring/);
  });
});

describe('the trail', () => {
  it('a struck finding speaks for nobody, and can count again', async () => {
    await benchOf(complains('no-fire'));
    await write('spark none');
    expect(suspectRow('coil-failed')).not.toBeNull();
    const before = suspectRow('coil-failed')?.textContent;
    const spark = () => trail().getByRole('button', { name: /Look at the spark: none/ });
    await user.click(spark());
    await tap('Strike it out', trail());
    await tap('Poor light', sheet());
    expect(document.querySelectorAll('[data-state=struck]')).toHaveLength(1);
    expect(suspectRow('coil-failed')?.textContent).not.toBe(before);
    expect(suspects().queryByText(/Look at the spark: none/)).toBeNull();
    await user.click(spark());
    await tap('Let it count again', trail());
    expect(document.querySelectorAll('[data-state=struck]')).toHaveLength(0);
    expect(suspectRow('coil-failed')?.textContent).toBe(before);
  });

  it('marks a finding made before a repair that changed it as old', async () => {
    await benchOf(complains('hard-to-start'), 'linetest leaks');
    await tap('Better, not cured', step());
    expect(foundRow('fuel-line-leak')?.textContent).toContain('mended');
    expect(trail().getByRole('button', { name: /line alone: leaks/ }).textContent).toContain(
      'before the repair',
    );
    expect(suspectRow('fuel-line-leak')).toBeNull();
  });
});

describe('before the carburettor comes off', () => {
  it('the cheap checks that could settle it are named', async () => {
    await benchOf(complains('fades-under-way'));
    await pickCheck('Look at the inlet screen');
    const cheaper = within(step().getByRole('list', { name: 'Cheaper first' }));
    const [first] = cheaper.getAllByRole('button');
    const name = first!.querySelector('strong')!.textContent;
    await user.click(first!);
    expect(title().toLowerCase()).toBe(name.toLowerCase());
  });
});

describe('a job waits', () => {
  it('for a part, by name', async () => {
    await benchOf(complains('no-fire'));
    await tap('On its hook');
    await tap('Waits for parts', sheet());
    await user.type(sheet().getByLabelText('What it waits for'), 'Fuel line, Friday');
    await tap('It waits', sheet());
    expect(trail().getByText(/Waits for parts: Fuel line, Friday|Fuel line, Friday/)).toBeTruthy();
  });
});
