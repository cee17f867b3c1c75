import { cleanup, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { draw } from '../testing/bench';
import { jobInCode, ScanTag } from './ScanTag';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('a code', () => {
  const id = '5e0c1f7a-8f1b-4a53-9a53-0d6f0c7c1a01';
  it.each([
    [`http://localhost:4680/job/${id}`, id],
    [`https://192.0.2.7:4681/job/${id}/papers`, id],
    [`https://192.0.2.7:4681/job/${id}?x=1`, id],
    [`https://192.0.2.7:4681/owner/${id}`, null],
    [`https://x.example/job/${id}0`, null],
    ['B45-20714', null],
    ['javascript:alert(1)', null],
  ])('%s opens %s', (text, job) => {
    expect(jobInCode(text)).toBe(job);
  });
});

it('a camera that is not allowed says so, and leads back to typing', async () => {
  vi.stubGlobal('navigator', {
    mediaDevices: { getUserMedia: () => Promise.reject(new DOMException('no')) },
  });
  const back = vi.fn();
  draw(<ScanTag onFound={() => undefined} onBack={back} />);
  expect((await screen.findByRole('alert')).textContent).toContain('type the number instead');
  await userEvent.click(screen.getByRole('button', { name: 'Type instead' }));
  expect(back).toHaveBeenCalled();
});
