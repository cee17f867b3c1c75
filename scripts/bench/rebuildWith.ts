import { LAYER_IDS } from '@rusty-wren/core/knowledge';
import { makeEntry, unnumbered, type Entry, type Noted } from '@rusty-wren/core/log';

/** A job in mid-rebuild: so many layers taken off and put back, in turns, and so many photos with pins. */
export function rebuildWith(layers: number, photos: number): Entry[] {
  const noted: Noted[] = [
    { kind: 'complaint', body: { complaint: 'hard-to-start' } },
    { kind: 'carburettor', body: { throat: 'butterfly', bulb: 'on-body' } },
    ...Array.from({ length: layers }, (_, n): Noted => {
      const layer = LAYER_IDS[n % LAYER_IDS.length]!;
      const again = Math.floor(n / LAYER_IDS.length) % 2 === 1;
      return again
        ? { kind: 'put-back', body: { layer, renewed: true } }
        : { kind: 'took-off', body: { layer, condition: 'sound' } };
    }),
    ...Array.from({ length: photos }, (_, n): Noted => ({
      kind: 'photo',
      body: {
        hash: n.toString(16).padStart(64, '0'),
        width: 1600,
        height: 1200,
        of: { layer: LAYER_IDS[n % LAYER_IDS.length]! },
        pins: [{ x: 0.5, y: 0.5, words: 'here' }],
      },
    })),
  ];
  return noted.map((one, n) => ({
    ...unnumbered(
      makeEntry(one, { id: `e${n}`, notedAt: new Date(Date.UTC(2026, 4, 4, 9, 0, n)).toISOString() }),
    ),
    seq: n + 1,
  }));
}
