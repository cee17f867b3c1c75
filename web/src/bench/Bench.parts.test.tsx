import type { Noted } from '@rusty-wren/core/log';
import { cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { benchWith, complains, draw } from '../testing/bench';
import { fakeLog } from '../testing/log';
import { Alternatives } from './Alternatives';
import { Suspects } from './Suspects';
import { Trail } from './Trail';
import { Tray } from '../tray/Tray';

const nothing = (): void => undefined;
const fades = complains('fades-under-way');
const fault: Noted = {
  kind: 'finding',
  body: { check: 'safety-walkround', result: 'fault', sureness: 'sure', note: 'catcher gone' },
};

afterEach(cleanup);

describe('found and suspects', () => {
  const draws = (...lines: readonly (string | Noted)[]) => {
    const bench = fakeLog();
    const atBench = benchWith(...lines);
    draw(<Suspects atBench={atBench} log={bench.log} onRepeat={nothing} onEntry={nothing} />);
    return { ...bench, atBench };
  };
  const found = () => screen.getByRole('region', { name: 'Found' });

  it('lists what was seen apart from what is suspected, with its answers a tap away', async () => {
    const { noted } = draws(fades, 'vent blocked');
    await userEvent.click(within(found()).getByRole('button', { name: /Tank vent blocked/ }));
    for (const name of ['Mended', 'Told the owner', 'Left, because…'])
      expect(within(found()).getByRole('button', { name })).toBeTruthy();
    await userEvent.click(within(found()).getByRole('button', { name: 'Mended' }));
    expect(noted()).toEqual([{ kind: 'repair', body: { cause: 'tank-vent-blocked', outcome: 'untried' } }]);
  });

  it('has a safety fault among what was found, with a way of its own to put it right', async () => {
    const { noted } = draws(fades, fault);
    await userEvent.click(within(found()).getByRole('button', { name: /catcher gone/ }));
    await userEvent.click(within(found()).getByRole('button', { name: 'Put right' }));
    expect(noted()).toEqual([{ kind: 'answered', body: { safety: 'put-right' } }]);
  });

  it('settles on any cause, listed or not, and on one in own words', async () => {
    const { noted } = draws(fades);
    const open = () => userEvent.click(screen.getByRole('button', { name: 'Why not something else?' }));
    await open();
    await userEvent.type(screen.getByLabelText('Which cause'), 'flywhel key');
    await userEvent.click(
      within(screen.getByRole('dialog')).getAllByRole('listitem')[0]!.querySelector('button')!,
    );
    await userEvent.click(screen.getByRole('button', { name: 'Settle on this' }));
    await open();
    await userEvent.type(screen.getByLabelText('Which cause'), 'mouse nest in the fan');
    await userEvent.click(screen.getByRole('button', { name: /It is something else/ }));
    expect(noted().map((n) => n.body)).toEqual([
      { settles: 'flywheel-key-sheared' },
      { other: 'mouse nest in the fan' },
    ]);
  });
});

describe('any check', () => {
  const draws = () => {
    const onPick = vi.fn();
    const { diagnosis, picture, benchCase } = benchWith(fades, 'plug white');
    draw(
      <Alternatives
        heading="Or"
        next={diagnosis.next}
        current={null}
        benchCase={benchCase}
        findings={picture.findings}
        onPick={onPick}
      />,
    );
    return onPick;
  };
  const open = () => userEvent.click(screen.getByRole('button', { name: 'Any other check' }));
  const listed = (): string[] =>
    within(screen.getByRole('dialog'))
      .getAllByRole('listitem')
      .map((li) => li.textContent ?? '');

  it('is found by typing, with slips, and taken with Enter', async () => {
    const onPick = draws();
    await open();
    await userEvent.type(screen.getByLabelText('Find a check'), 'impuls path{Enter}');
    expect(onPick).toHaveBeenCalledWith('impulse-path');
  });

  it('is found by the part of the machine, and says what was seen already', async () => {
    draws();
    await open();
    const all = listed().length;
    await userEvent.click(screen.getByRole('button', { name: 'Spark' }));
    expect(listed().length).toBeLessThan(all);
    expect(listed().some((l) => /plug/i.test(l) && l.includes('white'))).toBe(true);
    expect(listed().some((l) => l.includes('tank vent'))).toBe(false);
    await userEvent.click(screen.getByRole('button', { name: 'Spark' }));
    expect(listed().length).toBe(all);
  });
});

describe('the trail', () => {
  it('strikes with a reason and lets count again, and erases nothing', async () => {
    const bench = fakeLog();
    const { picture } = benchWith(fades, 'smell stale');
    draw(<Trail picture={picture} jobId="job" log={bench.log} pointed={null} onRepeat={nothing} />);
    await userEvent.click(screen.getByRole('button', { name: /Smell the fuel/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Strike it out' }));
    await userEvent.click(screen.getByRole('button', { name: 'Poor light' }));
    expect(bench.noted()).toEqual([{ kind: 'strike', body: { reason: 'Poor light' }, strikes: 'e1' }]);
  });

  it('shows a photo under the entry it was taken of, and takes another there', async () => {
    const of = { entry: 'e1' };
    const { picture } = benchWith(fades, 'smell stale', {
      kind: 'photo',
      body: { hash: 'a'.repeat(64), width: 4, height: 3, of, words: 'varnish' },
    });
    draw(<Trail picture={picture} jobId="job" log={fakeLog().log} pointed={null} onRepeat={nothing} />);
    const line = document.querySelector<HTMLElement>('[data-id=e1]')!;
    expect(within(line).getByRole('img', { name: 'varnish' })).toBeTruthy();
    await userEvent.click(within(line).getByRole('button', { name: /Smell the fuel/ }));
    expect(within(line).getByRole('button', { name: 'Photo' })).toBeTruthy();
    // A photo is seen once by itself, and once where it belongs.
    expect(screen.getAllByRole('img', { name: 'varnish' })).toHaveLength(2);
  });

  it('shows the newest first', () => {
    const { picture } = benchWith(fades, 'smell stale', 'primer bubbles');
    draw(<Trail picture={picture} jobId="job" log={fakeLog().log} pointed={null} onRepeat={nothing} />);
    expect(screen.getAllByRole('listitem').map((li) => li.querySelector('strong')?.textContent)).toEqual([
      'bubbles',
      'stale',
      'Fades under way',
    ]);
  });
});

describe('the tray', () => {
  it('puts back what is tapped, and takes off a part or a loose thing', async () => {
    const bench = fakeLog();
    const { picture } = benchWith(fades, 'off recoil');
    draw(<Tray picture={picture} jobId="job" log={bench.log} />);
    await userEvent.click(screen.getByRole('button', { name: 'Put back: Recoil starter' }));
    await userEvent.click(screen.getByRole('button', { name: 'Took something off' }));
    // What is off already is not offered.
    expect(screen.queryByRole('button', { name: 'Recoil starter' })).toBeNull();
    await userEvent.type(screen.getByLabelText('Any loose thing'), 'bent washer{Enter}');
    expect(bench.noted()).toEqual([
      { kind: 'put-back', body: { part: 'recoil' } },
      { kind: 'took-off', body: { thing: 'bent washer' } },
    ]);
  });
});
