import type { Noted } from '@rusty-wren/core/log';
import { screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { complains } from '../testing/bench';
import { benchOf, leaveNothing, pickCheck, step, tap, trail, user, write } from '../testing/whole';

leaveNothing();

const aThird: Noted = { kind: 'complaint', body: { complaint: 'cuts-dead', often: { failed: 1, of: 3 } } };

describe('a check of what comes and goes', () => {
  it('is noted with how often it failed, and a count that cannot be is told why', async () => {
    await benchOf(aThird);
    await pickCheck('Spark when hot');
    await user.type(step().getByLabelText('Times it failed'), '1');
    await user.type(step().getByLabelText('Times it was made'), '3');
    await tap('stays', step());
    expect(step().getByRole('alert').textContent).toBe('1 of 3 failed: that is not stays.');
    await tap('fails hot', step());
    expect(trail().getByText('fails hot, 1 of 3 times')).toBeTruthy();
  });

  it('is made once more in one tap: it did it again, or not this time', async () => {
    await benchOf(aThird);
    await write('spark hot fails 1 of 3');
    await pickCheck('Spark when hot');
    const more = () => within(step().getByRole('group', { name: 'Once more' }));
    expect(more().getByText('So far fails hot, 1 of 3 times')).toBeTruthy();
    await user.click(more().getByRole('button', { name: 'Not this time' }));
    expect(trail().getByText('fails hot, 1 of 4 times')).toBeTruthy();
    await pickCheck('Spark when hot');
    await user.click(more().getByRole('button', { name: 'It did it again' }));
    expect(trail().getByText('fails hot, 2 of 5 times')).toBeTruthy();
  });

  it('is not asked about where it fails every time, or where the check shows the same each time', async () => {
    await benchOf(complains('cuts-dead'));
    await pickCheck('Spark when hot');
    expect(step().queryByLabelText('Times it failed')).toBeNull();
    await write('cuts dead now and then');
    await pickCheck('Smell the fuel');
    expect(step().queryByLabelText('Times it failed')).toBeNull();
    await pickCheck('Spark when hot');
    expect(step().getByLabelText('Times it failed')).toBeTruthy();
    // Two lines of one complaint: it is one, with how often as it was said last.
    expect(screen.getByRole('button', { name: /^What it does: Cuts dead\./ }).textContent).toContain(
      'now and then',
    );
  });
});
