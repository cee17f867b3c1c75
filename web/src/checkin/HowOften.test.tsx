import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import { HowOftenPick } from './HowOften';

afterEach(cleanup);

it('takes how often by a tap or a count, and says what is wrong with one that cannot be', async () => {
  const onChange = vi.fn();
  const { rerender } = render(<HowOftenPick complaints={['cuts-dead']} value={{}} onChange={onChange} />);
  await userEvent.click(screen.getByRole('radio', { name: 'Now and then' }));
  await userEvent.click(screen.getByRole('radio', { name: '1 of 3' }));
  const count = screen.getByLabelText('How often?: how many of how many');
  await userEvent.type(count, '9 of 2{Enter}');
  expect(screen.getByText('How often?: how many of how many, such as "2 of 7".')).toBeTruthy();
  expect(count).toHaveProperty('value', '9 of 2');
  await userEvent.clear(count);
  await userEvent.type(count, '2 of 7{Enter}');
  expect(screen.queryByText(/such as/)).toBeNull();
  expect(onChange.mock.calls).toEqual([
    ['cuts-dead', { said: 'now-and-then' }],
    ['cuts-dead', { failed: 1, of: 3 }],
    ['cuts-dead', { failed: 2, of: 7 }],
  ]);
  // What was counted stands among the others.
  rerender(
    <HowOftenPick
      complaints={['cuts-dead']}
      value={{ 'cuts-dead': { failed: 2, of: 7 } }}
      onChange={onChange}
    />,
  );
  expect(screen.getByRole('radio', { name: '2 of 7', checked: true })).toBeTruthy();
});

it('asks of each complaint by its name where there are several, and nothing where there is none', () => {
  const { container, rerender } = render(
    <HowOftenPick complaints={['cuts-dead', 'flooded']} value={{}} onChange={() => undefined} />,
  );
  for (const name of ['Cuts dead', 'Flooded']) expect(screen.getByRole('radiogroup', { name })).toBeTruthy();
  rerender(<HowOftenPick complaints={[]} value={{}} onChange={() => undefined} />);
  expect(container.textContent).toBe('');
});
