import { MOST_PHOTO_BYTES, MOST_SIDE } from '@rusty-wren/contract';
import imageCompression from 'browser-image-compression';

/** A photo ready to be kept. */
export interface Made {
  hash: string;
  width: number;
  height: number;
  blob: Blob;
}

const hex = (bytes: ArrayBuffer): string =>
  [...new Uint8Array(bytes)].map((b) => b.toString(16).padStart(2, '0')).join('');

/**
 * A photo from a camera's picture: upright, its longest side within the limit, drawn anew so that nothing of where and with
 * what it was taken stays in it. Throws one sentence on what cannot be read.
 */
export async function makePhoto(file: File): Promise<Made> {
  const blob = await imageCompression(file, {
    maxWidthOrHeight: MOST_SIDE,
    maxSizeMB: (MOST_PHOTO_BYTES * 0.95) / 1024 / 1024,
    fileType: 'image/webp',
    initialQuality: 0.82,
    // Its worker would be fetched from elsewhere.
    useWebWorker: false,
    alwaysKeepResolution: false,
  }).catch(() => {
    throw new Error(`${file.name || 'The file'} is no picture that can be read.`);
  });
  const bitmap = await createImageBitmap(blob);
  const { width, height } = bitmap;
  bitmap.close();
  return { hash: hex(await crypto.subtle.digest('SHA-256', await blob.arrayBuffer())), width, height, blob };
}
