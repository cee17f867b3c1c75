import { cleanup, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { createRef } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { benchWith, complains, draw } from '../testing/bench';
import { fakeLog } from '../testing/log';
import { BenchLine } from './BenchLine';

function atLine(...lines: readonly string[]) {
  const bench = fakeLog();
  const { picture } = benchWith(complains('no-fire'), ...lines);
  draw(<BenchLine picture={picture} log={bench.log} ref={createRef()} />);
  return bench;
}
const field = () => screen.getByLabelText('Bench line');
const type = (text: string) => userEvent.type(field(), text);

afterEach(cleanup);

describe('the bench line', () => {
  it('shows what it understood while it is typed, and logs it with what had to be off', async () => {
    const { batches } = atLine();
    await type('inlet screen gummed');
    expect(screen.getByRole('status').textContent).toBe('Look at the inlet screen: gummed');
    expect(batches()).toEqual([]);
    await type('{Enter}');
    expect(batches()).toHaveLength(1);
    expect(batches()[0]?.map((n) => n.body)).toEqual([
      { part: 'air-box' },
      { part: 'carburettor' },
      { part: 'pump-cover' },
      { check: 'inlet-screen', result: 'gummed', sureness: 'sure' },
    ]);
    expect(field()).toHaveProperty('value', '');
  });

  it('asks which of two is meant, and one tap says it', async () => {
    const { noted } = atLine();
    await type('screen clear{Enter}');
    expect(noted()).toEqual([]);
    expect(screen.getByRole('alert').textContent).toContain('Which?');
    await userEvent.click(screen.getByRole('button', { name: /inlet screen/ }));
    expect(noted().at(-1)?.body).toMatchObject({ check: 'inlet-screen', result: 'clear' });
  });

  it('does not ask when what lies open says it', async () => {
    const { noted } = atLine('off muffler cover');
    await type('screen clear{Enter}');
    expect(noted().at(-1)?.body).toMatchObject({ check: 'spark-screen-look', result: 'clear' });
  });

  it('completes with Tab, and logs a result by a tap', async () => {
    const { noted } = atLine();
    await type('limiter{Tab}');
    expect(field()).toHaveProperty('value', 'limiter caps ');
    expect(document.activeElement).toBe(field());
    await userEvent.click(screen.getByRole('button', { name: 'missing' }));
    expect(noted()).toEqual([
      { kind: 'finding', body: { check: 'limiter-caps', result: 'missing', sureness: 'sure' } },
    ]);
  });

  it('leaves Tab to the page when there is nothing to complete', async () => {
    atLine();
    await type('plug white{Tab}');
    expect(document.activeElement).not.toBe(field());
  });

  it('keeps what it does not understand, and says why only once it was sent', async () => {
    const { noted } = atLine();
    await type('xylophone loud');
    expect(screen.queryByRole('alert')).toBeNull();
    await type('{Enter}');
    expect(screen.getByRole('alert').textContent).toContain('not a check I know');
    expect(field()).toHaveProperty('value', 'xylophone loud');
    expect(noted()).toEqual([]);
    await type('{Escape}');
    expect(field()).toHaveProperty('value', '');
  });

  it('offers a note first for what is plain talk, as what it is; Enter notes it', async () => {
    const { noted } = atLine();
    await type('promised for Friday');
    expect(screen.getByRole('button', { name: /Note a promise/ })).toBeTruthy();
    await type('{Enter}');
    expect(noted()).toMatchObject([{ kind: 'note', body: { text: 'for Friday', about: 'promise' } }]);
  });

  it('asks about a figure no such machine shows, and logs it once somebody stands by it', async () => {
    const { noted } = atLine();
    await type('idle 12400{Enter}');
    expect(noted()).toEqual([]);
    await userEvent.click(screen.getByRole('button', { name: 'It is right' }));
    expect(noted()).toMatchObject([
      { kind: 'finding', body: { check: 'idle-speed', reading: { rpm: [12400], confirmed: true } } },
    ]);
  });

  it('takes L and H on lines of their own as one count, until a screw is turned', async () => {
    const counted = atLine('L 1 1/8');
    await type('H 1{Enter}');
    expect(counted.noted()[0]?.body).toMatchObject({ reading: { turns: { L: 1.125, H: 1 } } });
    cleanup();
    const turned = atLine('L 1 1/8', 'L out 1/8');
    await type('H 1{Enter}');
    expect(turned.noted()[0]?.body).toMatchObject({ reading: { turns: { H: 1 } } });
  });

  it('says that what is not off is not off', async () => {
    const { noted } = atLine();
    await type('on plug{Enter}');
    expect(screen.getByRole('alert').textContent).toContain('is not off');
    expect(noted()).toEqual([]);
  });
});
