import type { Bodies, Photo, ScrewOutline, ScrewPlace } from '@rusty-wren/core/log';
import type { MouseEvent, ReactElement, ReactNode, Ref } from 'react';
import { usePhoto } from '../photos/photoUrl';

export type MarkedOn = Bodies['screw-plan']['on'];

/** A cover as it is drawn where nobody took a photo of it: width 100, height 66. */
const OUTLINES: Readonly<Record<ScrewOutline, string>> = {
  'four-sided': 'M14 6h72q8 0 8 8v38q0 8-8 8H14q-8 0-8-8V14q0-8 8-8z',
  long: 'M12 20h76q6 0 6 6v14q0 6-6 6H12q-6 0-6-6V26q0-6 6-6z',
  round: 'M50 4a29 29 0 1 1 0 58a29 29 0 1 1 0-58z',
};
const OUTLINE_ASPECT = 100 / 66;
/** How much of the screen's height it may take, %. */
const HIGHEST_DVH = 42;

/** Width over height of what screws are marked on. */
export const aspectOf = (on: MarkedOn, photos: readonly Photo[]): number => {
  const photo = 'photo' in on ? photos.find((p) => p.hash === on.photo) : undefined;
  return photo ? photo.width / photo.height : OUTLINE_ASPECT;
};

/** The cover, as outline or photo, with its screws over it. */
export function ScrewBoard({
  on,
  photos,
  ref,
  onPoint,
  children,
}: {
  on: MarkedOn;
  photos: readonly Photo[];
  ref?: Ref<HTMLDivElement>;
  /** A tap beside the screws. */
  onPoint?: (event: MouseEvent) => void;
  children: ReactNode;
}): ReactElement {
  const aspect = aspectOf(on, photos);
  return (
    <div
      ref={ref}
      style={{ aspectRatio: aspect, width: `min(100%, ${HIGHEST_DVH * aspect}dvh)` }}
      className="relative mx-auto mt-3 mb-6 touch-none"
    >
      {/* The keyboard has a button for the same. */}
      <div onClick={onPoint} className="absolute inset-0">
        {'photo' in on ? (
          <PhotoUnder hash={on.photo} />
        ) : (
          <svg viewBox="0 0 100 66" className="size-full" aria-hidden>
            <path d={OUTLINES[on.outline]} className="fill-card stroke-line" strokeWidth="1.5" />
          </svg>
        )}
      </div>
      {children}
    </div>
  );
}

function PhotoUnder({ hash }: { hash: string }): ReactElement {
  const { src } = usePhoto(hash);
  return <img src={src} alt="" className="size-full rounded-md object-fill" draggable={false} />;
}

/** Where a screw's mark stands on its board. */
export const placed = ({ x, y }: Pick<ScrewPlace, 'x' | 'y'>): { left: string; top: string } => ({
  left: `${100 * x}%`,
  top: `${100 * y}%`,
});
