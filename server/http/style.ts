import { createHash } from 'node:crypto';
import { raw } from 'hono/html';

/** Styles that stand in a page of the server's own: as an element, and as the source by which a content security policy lets it in. */
export const styleIn = (css: string) => ({
  element: raw(`<style>${css}</style>`),
  source: `'sha256-${createHash('sha256').update(css).digest('base64')}'`,
});
