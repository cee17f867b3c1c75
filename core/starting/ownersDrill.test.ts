import { expect, it } from 'vitest';
import { ownersDrill, startingCard } from './index';

it('the owner is given the last altered drill that ran, not one that failed nor an older one', () => {
  expect(ownersDrill([])).toBeNull();
  expect(ownersDrill([{ outcome: 'runs' }, { outcome: 'pops', drill: 'Half choke only' }])).toBeNull();
  expect(
    ownersDrill([
      { outcome: 'runs', drill: 'No choke above 15 °C' },
      { outcome: 'runs', drill: 'Half choke, three pulls' },
      { outcome: 'nothing', drill: 'Throttle open' },
      { outcome: 'runs' },
    ]),
  ).toBe('Half choke, three pulls');
});

it('the card names the machine, the drill and what to mind', () => {
  const card = startingCard(108, 'Brakken Fell 52', 'Half choke, three pulls');
  expect(card.split('\n')[0]).toBe('Tag 108. Brakken Fell 52');
  expect(card).toContain('Half choke, three pulls');
  expect(card).toContain('Outdoors');
});
