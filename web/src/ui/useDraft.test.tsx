import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { keptDraft, useDraft } from './useDraft';

const draft = (key?: string) => renderHook(() => useDraft(key, () => 'new')).result;

beforeEach(() => localStorage.clear());
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

describe('a draft', () => {
  it('survives what the page does not, until it is dropped', () => {
    const first = draft('a');
    act(() => first.current[1]('typed'));
    cleanup();
    expect(draft('a').current[0]).toBe('typed');
    expect(draft('b').current[0]).toBe('new');
    act(() => first.current[2]());
    expect(keptDraft('a')).toBeUndefined();
  });

  it('keeps nothing that nobody touched, and nothing without a key', () => {
    draft('a');
    const plain = draft();
    act(() => plain.current[1]('typed'));
    expect(plain.current[0]).toBe('typed');
    expect(localStorage.length).toBe(0);
  });

  it('is forgotten after a week, not a day before', () => {
    vi.useFakeTimers();
    const kept = draft('a');
    act(() => kept.current[1]('typed'));
    vi.advanceTimersByTime(6.9 * 86_400_000);
    expect(keptDraft('a')).toBe('typed');
    vi.advanceTimersByTime(0.2 * 86_400_000);
    expect(keptDraft('a')).toBeUndefined();
  });

  it('begins anew on what cannot be read, and goes on when storage is full', () => {
    localStorage.setItem('rusty-wren-draft:a', '{');
    const kept = draft('a');
    expect(kept.current[0]).toBe('new');
    const full = vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new Error('full');
    });
    act(() => kept.current[1]('typed'));
    expect(kept.current[0]).toBe('typed');
    full.mockRestore();
  });
});
