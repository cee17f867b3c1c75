import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import { Guarded } from './Guarded';

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

it('a fault stays in its place, the rest goes on, and it can be shown again', async () => {
  vi.spyOn(console, 'error').mockImplementation(() => undefined);
  let broken = true;
  const Shaky = () => {
    if (broken) throw new Error('the chart did not load');
    return <p>the chart</p>;
  };
  render(
    <>
      <Guarded what="The chart">
        <Shaky />
      </Guarded>
      <p>the bench line</p>
    </>,
  );
  expect(screen.getByRole('alert').textContent).toContain(
    'The chart cannot be shown. What was noted is safe.',
  );
  expect(screen.getByText('the bench line')).toBeTruthy();
  broken = false;
  await userEvent.click(screen.getByRole('button', { name: 'Show it again' }));
  expect(screen.getByText('the chart')).toBeTruthy();
});
