/** A photo's longest side, pixels. */
export const MOST_SIDE = 1600;
/** A photo's bytes. */
export const MOST_PHOTO_BYTES = 2 * 1024 * 1024;
/** Photos on one job. */
export const MOST_PHOTOS = 200;

/** A photo's name: the SHA-256 of its bytes, in small hexadecimal letters. */
export const PHOTO_HASH = /^[0-9a-f]{64}$/;
