import { act, cleanup, render, screen } from '@testing-library/react';
import type { ReactElement } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { useListen } from './useListen';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

/** A microphone that is asked for, and allowed when the test says so. */
function microphone({ tap }: { tap: 'loads' | 'fails' }) {
  const stopped = vi.fn();
  const closed = vi.fn();
  let allow: () => void = () => undefined;
  const stream = { getTracks: () => [{ stop: stopped }] };
  const asked = new Promise((resolve) => (allow = () => resolve(stream)));
  vi.stubGlobal('navigator', { mediaDevices: { getUserMedia: () => asked } });
  vi.stubGlobal(
    'AudioContext',
    class {
      audioWorklet = {
        addModule: () => (tap === 'loads' ? Promise.resolve() : Promise.reject(new Error('not found'))),
      };
      close = closed;
    },
  );
  return { allow: () => act(async () => allow()), stopped, closed };
}

function Ear(): ReactElement {
  const { state, microphone: listen } = useListen({ kind: 'chainsaw' }, () => undefined);
  return (
    <>
      <button onClick={() => void listen()}>listen</button>
      <p role="status">{state.phase === 'problem' ? state.says : state.phase}</p>
    </>
  );
}

describe('the microphone', () => {
  it('allowed after the place was left is shut again, and nothing is recorded', async () => {
    const { allow, stopped } = microphone({ tap: 'loads' });
    const { unmount } = render(<Ear />);
    await act(async () => screen.getByText('listen').click());
    unmount();
    expect(stopped).not.toHaveBeenCalled();
    await allow();
    expect(stopped).toHaveBeenCalledOnce();
  });
  it('is shut where its sound cannot be taken, and says so', async () => {
    const { allow, stopped, closed } = microphone({ tap: 'fails' });
    render(<Ear />);
    await act(async () => screen.getByText('listen').click());
    await allow();
    expect(stopped).toHaveBeenCalledOnce();
    expect(closed).toHaveBeenCalledOnce();
    expect(screen.getByRole('status').textContent).toContain('cannot be heard');
  });
});
