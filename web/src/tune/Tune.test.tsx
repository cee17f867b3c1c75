import type { Noted } from '@rusty-wren/core/log';
import { screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { complains, JOB, jobWith } from '../testing/bench';
import { atTheBench, leaveNothing, tap, trail, user, wholeOf } from '../testing/whole';

leaveNothing();

const TUNE = `/job/${JOB.id}/tune`;
const advice = (): string => screen.getByRole('region', { name: 'Advice' }).textContent;
const moves = () => within(screen.getByRole('list', { name: 'Moves' }));
/** Past the gate, knowingly, with this on the log. */
async function toTheScrews(...noted: readonly (string | Noted)[]) {
  const whole = await wholeOf([jobWith(complains('bogs-on-throttle'), ...noted)], { at: TUNE });
  await tap('Tune it all the same');
  await screen.findByRole('region', { name: 'Advice' });
  return whole;
}
/** A guided recording as a tachometer would have sent it: idle, full throttle, idle again. */
function heard(idle: number, full: number): Noted {
  const speed = (t: number): number => {
    if (t < 10) return idle;
    if (t < 14) return full - (full - idle) * Math.exp(-(t - 10) / 0.25);
    return idle + (full - idle) * Math.exp(-(t - 14) / 0.5);
  };
  const track = Array.from({ length: 1100 }, (_, i): [number, number, number] => {
    const t = Math.round(2 * i) / 100;
    return [t, Math.round(speed(t)), t > 11 && t < 14 ? 0.1 : 0];
  });
  return { kind: 'heard', body: { track, seconds: 22, by: 'microphone' } };
}

describe('an early quarter turn', () => {
  it('is tried, judged and put back in one tap', async () => {
    const { goTo } = await wholeOf([jobWith(complains('bogs-on-throttle'), 'L 1 H 1')], { at: TUNE });
    await tap('Try L out 1/4');
    expect(screen.getByRole('heading', { name: 'L out 1/4: what did it do?' })).toBeTruthy();
    expect(screen.getByLabelText('L stands').textContent).toBe('1 1/4');
    await tap('better', within(screen.getByRole('region', { name: 'Trial' })));
    // Before the screws again, as it was.
    expect(screen.getByRole('heading', { name: 'Is it the screws?' })).toBeTruthy();
    await goTo(`/job/${JOB.id}`);
    await atTheBench();
    expect(trail().getByText(/L out 1\/4/)).toBeTruthy();
    expect(trail().getByText(/L in 1\/4\. Put back after the trial/)).toBeTruthy();
  });
});

describe('the screws', () => {
  it('far in, one is advised out before anything is heard, and turned by a key', async () => {
    await toTheScrews('L 1 H 1/2');
    expect(advice()).toContain('H out 3/4');
    (document.activeElement as HTMLElement).blur();
    await user.keyboard('x');
    expect(moves().getByText('H out 3/4')).toBeTruthy();
    expect(screen.getByLabelText('H stands').textContent).toBe('1 1/4');
    expect(advice()).toContain('Then let it be heard.');
    await tap('Put back to as it came in');
    expect(screen.getByLabelText('H stands').textContent).toBe('1/2');
  });

  it('go by the school of two turns where the device does', async () => {
    const { goTo } = await wholeOf([jobWith(complains('bogs-on-throttle'), 'L 1 H 1')], {
      at: '/tools/screws',
    });
    await tap('L a turn');
    await user.click(screen.getByRole('radio', { name: '2 turns' }));
    await goTo(TUNE);
    await tap('Tune it all the same');
    expect(advice()).toContain('H out 1 1/4');
  });
});

describe('worked in other air', () => {
  it('it is leaned only up there, and richened before it goes down', async () => {
    const log = [
      complains('bogs-on-throttle'),
      'L 1 H 1 1/2',
      heard(2750, 12_600),
      'L out 1/8',
      heard(2715, 12_550),
    ];
    // Heard already, nobody is asked any more whether it is the screws.
    await wholeOf([jobWith(...log)], { at: TUNE });
    await screen.findByRole('region', { name: 'Advice' });
    expect(advice()).toContain('Now prove it.');
    await tap('Worked in other air?');
    const region = screen.getByRole('region', { name: 'Worked elsewhere' });
    const there = within(region);
    const fill = async (label: string, figure: string): Promise<void> => {
      await user.clear(there.getByLabelText(label));
      await user.type(there.getByLabelText(label), figure);
    };
    await fill('Worked at, m', '1500');
    expect(region.textContent).toContain('8 % richer there');
    expect(region.textContent).toContain('L in 1/8, H in 3/16, when it is there: turned here it runs lean');
    expect(there.queryByRole('button', { name: 'Turned them' })).toBeNull();
    await fill('there, °C', 'hot');
    expect(there.getByRole('alert').textContent).toBe('there, °C: "hot" is not a number.');
    await fill('there, °C', '-20');
    await fill('Worked at, m', '0');
    expect(region.textContent).toContain('6 % leaner there');
    expect(region.textContent).toContain('before it goes');
    await tap('Turned them', there);
    expect(moves().getAllByText('L out 1/8')).toHaveLength(2);
    expect(moves().getByText('H out 3/16')).toBeTruthy();
  });
});
