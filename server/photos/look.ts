import { MOST_SIDE } from '@rusty-wren/contract';
import sharp from 'sharp';
import { refuse } from '../http/problem';

// Only what a camera's picture is made into is opened at all: no drawing, no document, no film.
sharp.block({ operation: ['VipsForeignLoad'] });
sharp.unblock({
  operation: ['VipsForeignLoadJpegBuffer', 'VipsForeignLoadPngBuffer', 'VipsForeignLoadWebpBuffer'],
});
sharp.cache(false);

/** What a photo is, by its content. */
export interface Looked {
  type: 'image/jpeg' | 'image/png' | 'image/webp';
  width: number;
  height: number;
}

const TYPES: Readonly<Record<string, Looked['type']>> = {
  jpeg: 'image/jpeg',
  png: 'image/png',
  webp: 'image/webp',
};

/**
 * Looks at a photo's bytes, to the last pixel. Throws a 400 for what is no JPEG, PNG or WebP, is broken, moves, is larger than
 * a photo may be, or still says where and with what it was taken.
 */
export async function lookAt(bytes: Buffer): Promise<Looked> {
  const options = { limitInputPixels: MOST_SIDE * MOST_SIDE, failOn: 'warning' } as const;
  // Async, so that bytes it will not even begin with reject like all others.
  const seen = await (async () => sharp(bytes, options).metadata())().catch(() => null);
  const type = seen && TYPES[seen.format];
  if (!type) throw refuse(400, 'The file is no JPEG, PNG or WebP picture that can be read.');
  const { width, height } = seen;
  if (Math.max(width, height) > MOST_SIDE)
    throw refuse(400, `The photo is ${width} by ${height}; ${MOST_SIDE} pixels a side at most.`);
  if ((seen.pages ?? 1) > 1) throw refuse(400, 'The photo moves; send a still one.');
  if (seen.exif ?? seen.xmp ?? seen.iptc)
    throw refuse(400, 'The photo still says where and with what it was taken; that has to come off first.');
  await sharp(bytes, options)
    .raw()
    .toBuffer()
    .catch(() => {
      throw refuse(400, 'The photo is broken.');
    });
  return { type, width, height };
}
