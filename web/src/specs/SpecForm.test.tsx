import type { SpecCard } from '@rusty-wren/contract';
import { cleanup, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it } from 'vitest';
import { draw } from '../testing/bench';
import { SpecForm } from './SpecForm';

function form(figures: SpecCard['figures'] = {}, refuses: string | null = null) {
  const saved: SpecCard[] = [];
  const onSave = async (card: SpecCard): Promise<string | null> => {
    saved.push(card);
    return refuses;
  };
  draw(
    <SpecForm
      card={{ maker: 'Brakken', model: 'B45', figures }}
      machine={{ kind: 'chainsaw', displacementCc: 45 }}
      onSave={onSave}
    />,
  );
  return saved;
}
const type = (label: string, text: string) => userEvent.type(screen.getByLabelText(label), text);
const keep = () => userEvent.click(screen.getByRole('button', { name: 'Keep the card' }));

afterEach(cleanup);

describe('a spec card', () => {
  it('keeps what is typed as figures, a decimal comma too, and leaves out what is blank', async () => {
    const saved = form({ clutch: 4000 });
    await type('Idle, rpm', '2800');
    await type('L baseline, turns', '1,25');
    await type('Squeeze, psi, from', '130');
    await userEvent.type(screen.getAllByLabelText('to')[1]!, '150');
    await keep();
    expect(await screen.findByText('Kept')).toBeTruthy();
    expect(saved).toEqual([
      {
        maker: 'Brakken',
        model: 'B45',
        figures: { idle: 2800, clutch: 4000, baseL: 1.25, squeezePsi: [130, 150] },
      },
    ]);
  });

  it('shows what the class says beside the field, never in it', () => {
    form();
    expect((screen.getByLabelText('Idle, rpm') as HTMLInputElement).value).toBe('');
    expect((screen.getByLabelText('Idle, rpm') as HTMLInputElement).placeholder).toBe('');
    const says = screen.getByLabelText('Idle, rpm').getAttribute('aria-describedby') ?? '';
    expect(document.getElementById(says)?.textContent).toBe('class 2800');
  });

  it.each([
    ['Idle, rpm', '999', 'Idle, rpm must be greater than or equal to 1000'],
    ['Idle, rpm', 'quick', 'Idle, rpm must be a number'],
    ['Full throttle, rpm, from', '12500', 'Full throttle, rpm: give both its edges'],
  ])('%s "%s" is said at the field, and nothing is kept', async (label, text, says) => {
    const saved = form();
    await type(label, text);
    await keep();
    expect(await screen.findByText(says)).toBeTruthy();
    expect(saved).toEqual([]);
    expect((screen.getByLabelText(label) as HTMLInputElement).value).toBe(text);
  });

  it('wants the idle below the clutch, and a band from low to high', async () => {
    const saved = form();
    await type('Idle, rpm', '4000');
    await type('Clutch bites, rpm', '4000');
    await keep();
    expect(await screen.findByText(/idle must be below the clutch speed/)).toBeTruthy();
    await userEvent.clear(screen.getByLabelText('Clutch bites, rpm'));
    await type('Coil gap, mm, from', '0.4');
    await userEvent.type(screen.getAllByLabelText('to')[2]!, '0.3');
    await keep();
    expect(await screen.findByText('Coil gap, mm must run from low to high')).toBeTruthy();
    expect(saved).toEqual([]);
  });

  it('says what the server says against it, and keeps what was typed', async () => {
    form({}, 'The database is away.');
    await type('Idle, rpm', '2800');
    await keep();
    expect(await screen.findByText('The database is away.')).toBeTruthy();
    await waitFor(() => expect((screen.getByLabelText('Idle, rpm') as HTMLInputElement).value).toBe('2800'));
  });
});
