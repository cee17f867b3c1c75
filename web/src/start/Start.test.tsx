import { screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { complains, JOB, jobWith } from '../testing/bench';
import { atTheBench, leaveNothing, tap, trail, user, wholeOf } from '../testing/whole';

leaveNothing();

describe('starting', () => {
  const begin = () => wholeOf([jobWith(complains('hard-to-start'))], { at: `/job/${JOB.id}/start` });
  const pull = async () => user.click(await screen.findByLabelText('Pulls so far'));

  it('a drill found to work goes home with the machine as a card', async () => {
    await begin();
    await tap('Started another way');
    await user.type(
      screen.getByLabelText('How it is started instead, for the owner'),
      'Half choke, three pulls, no more',
    );
    await pull();
    await tap('Nothing');
    expect(screen.getByRole('list', { name: 'Starts so far' }).textContent).toContain('nothing after 1');
    expect(screen.queryByRole('region', { name: 'For the owner' })).toBeNull();
    await pull();
    await tap('It runs');
    const card = screen.getByRole('region', { name: 'For the owner' });
    expect(card.textContent).toContain('Half choke, three pulls, no more');
    expect(within(card).getByRole('button', { name: 'Starting card' })).toBeTruthy();
  });

  it('counts pulls by a key, and past ten says to stop', async () => {
    const { goTo } = await begin();
    await screen.findByLabelText('Pulls so far');
    await user.keyboard('pppppppppp');
    expect(screen.getByLabelText('Pulls so far').textContent).toContain('10');
    expect(screen.getByRole('alert').textContent).toContain('Stop and think');
    await tap('One less');
    await tap('It runs');
    expect(screen.getByRole('list', { name: 'Starts so far' }).textContent).toContain('runs after 9');
    await goTo(`/job/${JOB.id}`);
    await atTheBench();
    expect(trail().getByText(/runs after 9/)).toBeTruthy();
  });
});
