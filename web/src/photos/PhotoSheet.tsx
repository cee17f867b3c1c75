import { photoWords, type Bodies, type Photo, type PhotoTime } from '@rusty-wren/core/log';
import { useState, type MouseEvent, type ReactElement } from 'react';
import type { Log } from '../job/useLog';
import { Button } from '../ui/Button';
import { OneLine } from '../ui/OneLine';
import { OneOf } from '../ui/OneOf';
import { Sheet } from '../ui/Sheet';
import { usePhoto } from './photoUrl';

const WHEN = [
  { id: 'before', label: 'Before' },
  { id: 'after', label: 'After' },
] as const satisfies readonly { id: PhotoTime; label: string }[];

/** A photo in full: numbered pins where it is tapped, before or after, and the other one beside it. */
export function PhotoSheet({
  photo,
  other,
  log,
  onClose,
}: {
  photo: Photo;
  /** The same thing at the other time. */
  other: Photo | undefined;
  log: Log;
  onClose: () => void;
}): ReactElement {
  const [pinning, setPinning] = useState<{ x: number; y: number } | null>(null);
  const { id: _id, notedAt: _at, ...body } = photo;
  const pins = photo.pins ?? [];
  const note = (change: Partial<Bodies['photo']>): void => void log('photo', { ...body, ...change });
  const point = (event: MouseEvent): void => {
    const box = event.currentTarget.getBoundingClientRect();
    const share = (at: number, from: number, size: number): number =>
      Math.round(Math.min(1, Math.max(0, (at - from) / size)) * 1000) / 1000;
    setPinning({
      x: share(event.clientX, box.left, box.width),
      y: share(event.clientY, box.top, box.height),
    });
  };
  const sides = other && photo.when === 'after' ? [other, photo] : other ? [photo, other] : [photo];
  return (
    <Sheet title={photoWords(photo)} open onOpenChange={(open) => !open && onClose()}>
      <div className={`grid gap-3 ${other ? 'sm:grid-cols-2' : ''}`}>
        {sides.map((one) => (
          <Pinned
            key={one.hash}
            photo={one}
            pinning={one === photo ? pinning : null}
            {...(one === photo && { onPoint: point })}
          />
        ))}
      </div>
      {pinning && (
        <OneLine
          label={`What pin ${pins.length + 1} shows`}
          placeholder="what it shows"
          most={120}
          done="Pin it"
          focus
          onDone={(words) => {
            note({ pins: [...pins, { ...pinning, words }] });
            setPinning(null);
          }}
        />
      )}
      {!pinning && <p className="mt-3 text-lg text-soft">Tap the photo to pin a word on it.</p>}
      <ol className="mt-2 text-lg">
        {pins.map((pin, n) => (
          <li
            key={`${pin.x} ${pin.y} ${pin.words}`}
            className="flex items-center justify-between gap-3 border-b border-line"
          >
            <span>
              <strong className="mr-2">{n + 1}</strong>
              {pin.words}
            </span>
            <Button
              look="quiet"
              aria-label={`Take out pin ${n + 1}`}
              onClick={() => note({ pins: pins.filter((_, at) => at !== n) })}
            >
              Take out
            </Button>
          </li>
        ))}
      </ol>
      <div className="mt-3 flex flex-wrap items-center gap-4">
        <OneOf
          label="Taken"
          options={WHEN}
          value={photo.when ?? ('' as 'before')}
          onChange={(when) => note({ when })}
        />
      </div>
    </Sheet>
  );
}

function Pinned({
  photo,
  pinning,
  onPoint,
}: {
  photo: Photo;
  pinning: { x: number; y: number } | null;
  onPoint?: (event: MouseEvent) => void;
}): ReactElement {
  const { src } = usePhoto(photo.hash);
  const at = [...(photo.pins ?? []), ...(pinning ? [pinning] : [])];
  return (
    <figure className="relative mx-auto w-fit">
      <img
        src={src}
        alt={photoWords(photo)}
        width={photo.width}
        height={photo.height}
        onClick={onPoint}
        className="h-auto max-h-[60dvh] w-auto max-w-full rounded-md"
      />
      {at.map((pin, n) => (
        <span
          key={`${pin.x} ${pin.y}`}
          aria-hidden
          style={{ left: `${100 * pin.x}%`, top: `${100 * pin.y}%` }}
          className="pointer-events-none absolute grid size-8 -translate-1/2 place-items-center rounded-full border-2 border-paper bg-ink font-bold text-paper"
        >
          {n + 1}
        </span>
      ))}
      {photo.when && <figcaption className="font-semibold text-soft">{photo.when}</figcaption>}
    </figure>
  );
}
