import type { AppThunk } from '../app/state';
import { unreachable } from '../keeping/outbox';
import { layUpPhoto, photoSent, photosKept } from '../keeping/shelf';

/** Answers that say no for good; a job the server does not know yet may still come. */
const NEVER: ReadonlySet<number> = new Set([400, 409, 413, 415]);

/** Sends the photos that wait on this device, one at a time. What is refused stays here with its reason. */
export const sendPhotos = (): AppThunk<Promise<void>> => async (dispatch) => {
  const waiting = (await photosKept().catch(() => [])).filter((p) => p.refused === undefined);
  for (const photo of waiting) {
    const answer = await fetch(`/api/jobs/${photo.jobId}/photos/${photo.hash}`, {
      method: 'PUT',
      headers: { 'content-type': photo.blob.type },
      body: photo.blob,
    }).catch(() => null);
    if (answer?.ok) await photoSent(photo.hash);
    else if (answer && NEVER.has(answer.status)) {
      const { error } = (await answer.json().catch(() => ({}))) as { error?: string };
      await layUpPhoto({ ...photo, refused: error ?? 'The bench server did not take it.' });
    } else if (!answer || answer.status >= 500) {
      dispatch(unreachable());
      return;
    }
  }
};
