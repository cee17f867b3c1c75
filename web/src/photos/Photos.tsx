import { nameOfThing, photoWords, type Photo } from '@rusty-wren/core/log';
import { useState, type DragEvent, type ReactElement } from 'react';
import type { Log } from '../job/useLog';
import { PhotoSheet } from './PhotoSheet';
import { usePhoto } from './photoUrl';
import { TakePhoto, takePhotos } from './TakePhoto';

/** A job's photos: taken, dropped in, looked at. */
export function Photos({
  photos,
  jobId,
  log,
}: {
  photos: readonly Photo[];
  jobId: string;
  log: Log;
}): ReactElement {
  const [wrong, setWrong] = useState<string | null>(null);
  const dropped = (event: DragEvent): void => {
    event.preventDefault();
    void takePhotos(event.dataTransfer.files, jobId, log).then(setWrong);
  };
  return (
    <section aria-label="Photos" onDragOver={(e) => e.preventDefault()} onDrop={dropped}>
      <div className="flex items-baseline justify-between">
        <h2 className="text-2xl font-bold">Photos</h2>
        <TakePhoto jobId={jobId} log={log} words="Take one" />
      </div>
      {wrong && (
        <p role="alert" className="text-lg font-semibold text-rust">
          {wrong}
        </p>
      )}
      <PhotoRow shown={photos} photos={photos} log={log} />
    </section>
  );
}

/** Some of a job's photos side by side, each a tap away from its full size. */
export function PhotoRow({
  shown,
  photos,
  log,
}: {
  shown: readonly Photo[];
  /** All of the job: one may be the other side of another. */
  photos: readonly Photo[];
  log: Log;
}): ReactElement | null {
  const [open, setOpen] = useState<string | null>(null);
  const opened = shown.find((p) => p.hash === open);
  if (shown.length === 0) return null;
  return (
    <>
      <ul className="mt-1 flex gap-2 overflow-x-auto">
        {shown.map((photo) => (
          <li key={photo.hash} className="shrink-0">
            <Thumb photo={photo} onOpen={() => setOpen(photo.hash)} />
          </li>
        ))}
      </ul>
      {opened && (
        <PhotoSheet
          key={opened.hash}
          photo={opened}
          other={otherTime(opened, photos)}
          log={log}
          onClose={() => setOpen(null)}
        />
      )}
    </>
  );
}

const sameThing = (x: Photo, y: Photo): boolean =>
  JSON.stringify(x.of ?? null) === JSON.stringify(y.of ?? null);

/** The photo of the same thing at the other time: before beside after. */
function otherTime(photo: Photo, photos: readonly Photo[]): Photo | undefined {
  if (!photo.when) return undefined;
  const wanted = photo.when === 'before' ? 'after' : 'before';
  return photos.findLast((p) => p.when === wanted && sameThing(p, photo));
}

function Thumb({ photo, onOpen }: { photo: Photo; onOpen: () => void }): ReactElement {
  const { src, why } = usePhoto(photo.hash);
  const of = photo.of && !('entry' in photo.of) ? nameOfThing(photo.of) : null;
  return (
    <button type="button" onClick={onOpen} className="block w-32 text-left leading-tight">
      <img
        src={src}
        alt={photoWords(photo)}
        width={photo.width}
        height={photo.height}
        className="h-24 w-32 rounded-md border-2 border-line bg-card object-cover"
      />
      <span className="block truncate font-semibold">{of ?? photo.words ?? 'Photo'}</span>
      {photo.when && <span className="block text-soft">{photo.when}</span>}
      {why && <span className="block font-semibold text-rust">kept here only: {why}</span>}
    </button>
  );
}
