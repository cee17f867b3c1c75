import { cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { USUAL_RULES } from '@rusty-wren/core/worth';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { draw } from '../testing/bench';
import { Settings } from './Settings';

const ANSWERS: Record<string, unknown> = {
  '/api/shop': { rules: USUAL_RULES, book: [] },
  '/api/specs': [{ maker: 'Brakken', model: 'B45', figures: {} }],
  '/api/day': { hours: [], rooms: { bath: 1, outdoors: 2 }, pins: [], plan: null },
  '/api/accounts': [{ id: 'i', name: 'Idris Pell' }],
  '/api/own-order': { checks: ['fuel-look', 'fuel-smell'] },
  '/api/settings': {
    rules: { at: '2026-05-01T09:00:00.000Z', who: 'Bett Oakham' },
    prices: { at: '2026-05-03T09:00:00.000Z', who: 'Maren Tolle' },
  },
};
beforeEach(() => {
  localStorage.clear();
  vi.stubGlobal('fetch', async (request: Request) => Response.json(ANSWERS[new URL(request.url).pathname]));
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const shop = () => within(screen.getByRole('region', { name: 'The shop' }));

describe('the settings', () => {
  it('say what each is now and who changed it last', async () => {
    draw(<Settings />);
    const rules = await shop().findByRole('link', { name: /Rules and prices.*Maren Tolle, 3 May 2026/ });
    expect(rules.getAttribute('href')).toBe('/shop');
    expect(rules.textContent).not.toContain('Bett');
    expect(await shop().findByText('1 card')).toBeTruthy();
    expect(await shop().findByText('2 checks')).toBeTruthy();
    expect(shop().getByText(/People and devices/)).toBeTruthy();
  });
  it('people are the lead’s; the rest is read by everybody and set by the lead', async () => {
    draw(<Settings />, { role: 'technician' });
    await shop().findByText('2 checks');
    expect(shop().queryByText(/People and devices/)).toBeNull();
    await userEvent.click(shop().getByRole('button', { name: /Our own order/ }));
    expect(await screen.findByText('The lead sets these.')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Keep this order' }).closest('fieldset')?.disabled).toBe(true);
  });
  it('what this device goes by is changed by whoever has it', async () => {
    const store = draw(<Settings />, { role: 'reader' });
    await userEvent.click(screen.getByRole('radio', { name: 'bar' }));
    await userEvent.click(screen.getByRole('radio', { name: '2 turns' }));
    await userEvent.click(screen.getByRole('radio', { name: 'never' }));
    await userEvent.click(screen.getByRole('radio', { name: 'dark' }));
    await userEvent.type(screen.getByLabelText('Altitude, m'), '640');
    await userEvent.selectOptions(screen.getByLabelText('Follows'), 'fuel-first');
    expect(store.getState().settings).toEqual({
      theme: 'dark',
      way: 'fuel-first',
      pressureUnit: 'bar',
      gauge: { altitudeM: 640 },
      baselineTurns: 2,
      lockAfterMin: 0,
    });
  });
});
