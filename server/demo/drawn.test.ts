import { describe, expect, it } from 'vitest';
import { lookAt } from '../photos/look';
import { DRAWN, drawPhoto } from './drawn';

describe('the drawn photos', () => {
  it.each(Object.keys(DRAWN) as (keyof typeof DRAWN)[])(
    '%s is one the bench takes, and the same each time',
    async (id) => {
      const [one, again] = await Promise.all([drawPhoto(DRAWN[id]), drawPhoto(DRAWN[id])]);
      expect(await lookAt(one.bytes)).toEqual({ type: 'image/webp', width: one.width, height: one.height });
      expect(again.hash).toBe(one.hash);
    },
  );
});
