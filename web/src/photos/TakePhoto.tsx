import type { Bodies } from '@rusty-wren/core/log';
import { Camera } from 'lucide-react';
import { useRef, useState, type ReactElement } from 'react';
import { isFull } from '../keeping/room';
import { layUpPhoto } from '../keeping/shelf';
import type { Log } from '../job/useLog';
import { Button } from '../ui/Button';
import { makePhoto } from './makePhoto';

type OfWhat = Pick<Bodies['photo'], 'of' | 'when' | 'words'>;

/** Makes a photo of a file and keeps it on this device, to be sent. Returns what it is, or why it was not kept. */
export async function keepPhoto(
  file: File,
  jobId: string,
): Promise<Pick<Bodies['photo'], 'hash' | 'width' | 'height'> | { problem: string }> {
  try {
    const { hash, width, height, blob } = await makePhoto(file);
    await layUpPhoto({ hash, jobId, blob });
    return { hash, width, height };
  } catch (error) {
    const full = !(error instanceof Error) || (await isFull(error));
    return { problem: full ? 'The photo was not kept: this device is full.' : error.message };
  }
}

/** Takes files in as photos of a job: each is kept on this device first, then noted. Returns what went wrong, or null. */
export async function takePhotos(
  files: Iterable<File>,
  jobId: string,
  log: Log,
  of: OfWhat = {},
): Promise<string | null> {
  for (const file of files) {
    const kept = await keepPhoto(file, jobId);
    if ('problem' in kept) return kept.problem;
    log('photo', { ...kept, ...of });
  }
  return null;
}

/** The camera, or a file: one button. */
export function TakePhoto({
  jobId,
  log,
  of,
  words = 'Photo',
}: {
  jobId: string;
  log: Log;
  of?: OfWhat;
  words?: string;
}): ReactElement {
  const input = useRef<HTMLInputElement>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  return (
    <>
      <Button look="quiet" className="!px-0" disabled={busy} onClick={() => input.current?.click()}>
        <Camera size={20} aria-hidden /> {busy ? 'Keeping it…' : words}
      </Button>
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        aria-label={words}
        hidden
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          event.target.value = '';
          setBusy(true);
          void takePhotos(files, jobId, log, of).then((why) => {
            setWrong(why);
            setBusy(false);
          });
        }}
      />
      {wrong && (
        <p role="alert" className="text-lg font-semibold text-rust">
          {wrong}
        </p>
      )}
    </>
  );
}
