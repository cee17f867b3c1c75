import { act, cleanup, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { draw } from '../testing/bench';
import { AirGap } from './airgap/AirGap';
import { SqueezeGauge } from './compression/SqueezeGauge';
import { GaugeWatch } from './pressure/GaugeWatch';
import { ScrewCounter } from './screws/ScrewCounter';

const SAW = { kind: 'chainsaw', displacementCc: 45 } as const;
const button = (name: string | RegExp) => screen.getByRole('button', { name });

beforeEach(() => localStorage.clear());
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

describe('the gauge watch', () => {
  const read = async (psi: string, afterMs: number) => {
    await act(() => vi.advanceTimersByTimeAsync(afterMs));
    await userEvent.type(screen.getByLabelText(/Gauge now/), `${psi}{Enter}`);
  };
  const watch = (draft?: string) => {
    const logged: unknown[] = [];
    draw(<GaugeWatch check="line-pressure" draft={draft} onLog={(reading) => logged.push(reading)} />);
    return logged;
  };

  it('judges a leak as it is read, and logs the raw readings', async () => {
    vi.useFakeTimers({ shouldAdvanceTime: true });
    const logged = watch();
    await read('7', 0);
    expect(screen.queryByRole('button', { name: /^Log it/ })).toBeNull();
    for (const psi of ['5.5', '4.3', '3.4', '2.7', '2.1']) await read(psi, 5000);
    await userEvent.click(button('Log it: leaks'));
    const { trace } = logged[0] as { trace: { unit: string; points: [number, number][] } };
    expect(trace.unit).toBe('psi');
    expect(trace.points.map(([, p]) => p)).toEqual([7, 5.5, 4.3, 3.4, 2.7, 2.1]);
    expect(trace.points[0]?.[0]).toBe(0);
  });

  it('runs on through a reload: readings and clock', async () => {
    vi.useFakeTimers({ shouldAdvanceTime: true });
    watch('job line-pressure');
    await read('7', 0);
    await read('6.9', 5000);
    cleanup();
    await act(() => vi.advanceTimersByTimeAsync(10_000));
    watch('job line-pressure');
    await read('6.8', 0);
    const times = screen
      .getAllByRole('button', { name: /^Take out/ })
      .map((b) => b.getAttribute('aria-label'));
    expect(times).toHaveLength(3);
    expect(Number(/at ([\d.]+) s/.exec(times[2] ?? '')?.[1])).toBeGreaterThan(14);
  });

  it('keeps a figure that is none, and says why', async () => {
    watch();
    await userEvent.type(screen.getByLabelText(/Gauge now/), 'seven{Enter}');
    expect(screen.getByRole('alert').textContent).toBe('Gauge: "seven" is not a number.');
    expect((screen.getByLabelText(/Gauge now/) as HTMLInputElement).value).toBe('seven');
  });
});

describe('the squeeze', () => {
  it('is judged while it is typed, and not at all with the starting valve open', async () => {
    const logged: unknown[] = [];
    draw(<SqueezeGauge check="compression-gauge" machine={SAW} onLog={(r) => logged.push(r)} />);
    await userEvent.type(screen.getByLabelText(/Gauge after each pull/), '62 98 117 124');
    expect(screen.getByText('Good')).toBeTruthy();
    await userEvent.click(screen.getByLabelText('Starting valve open'));
    expect(screen.queryByText('Good')).toBeNull();
    await userEvent.click(screen.getByLabelText('Starting valve open'));
    await userEvent.click(button('Log it'));
    expect(logged).toMatchObject([{ psi: [62, 98, 117, 124], throttle: 'open', engine: 'warm' }]);
  });
});

describe('the air gap', () => {
  it('does not call a coil right of which one leg was measured', async () => {
    const logged: unknown[] = [];
    draw(<AirGap machine={SAW} onLog={(r) => logged.push(r)} />);
    await userEvent.type(screen.getByLabelText('Top leg, mm'), '0.30');
    expect(screen.getByText('This leg is right: measure the other')).toBeTruthy();
    expect(button(/Log the one leg/)).toBeTruthy();
    await userEvent.type(screen.getByLabelText('Bottom leg, mm'), '0.60');
    expect(screen.queryByText('This leg is right: measure the other')).toBeNull();
    await userEvent.click(button(/^Log it/));
    expect(logged).toEqual([{ mm: [0.3, 0.6] }]);
  });
});

describe('the screws', () => {
  it('are counted by eighths, kept through a reload, and logged as turns', async () => {
    const logged: unknown[] = [];
    const count = () => draw(<ScrewCounter machine={SAW} draft="job screws" onLog={(r) => logged.push(r)} />);
    count();
    for (let n = 0; n < 9; n++) await userEvent.click(button('L an eighth'));
    cleanup();
    count();
    await userEvent.click(button(/Log/));
    expect(logged).toEqual([{ turns: { L: 1.125 } }]);
  });
});
