import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { create, type Font } from 'fontkit';
import wawoff2 from 'wawoff2';

const require = createRequire(import.meta.url);

/** A font file that ships with the application, with what characters it has. */
interface Face {
  name: string;
  bytes: Buffer;
  has: (codePoint: number) => boolean;
}

/** Unpacked once: a packed one would be unpacked anew for every document. */
async function face(subset: 'latin' | 'latin-ext', weight: 400 | 700): Promise<Face> {
  const packed = readFileSync(
    require.resolve(`@fontsource/barlow/files/barlow-${subset}-${weight}-normal.woff2`),
  );
  const bytes = Buffer.from(await wawoff2.decompress(packed));
  const font = create(bytes) as Font;
  return { name: `${subset}-${weight}`, bytes, has: (c) => font.hasGlyphForCodePoint(c) };
}

/** Faces of a weight, in the order they are asked for a character. */
export const FACES = {
  plain: [await face('latin', 400), await face('latin-ext', 400)],
  bold: [await face('latin', 700), await face('latin-ext', 700)],
} as const;
export type Weight = keyof typeof FACES;

/** What no shipped face has is written as this. */
const UNKNOWN = '?';

/** A text cut into pieces that one face each can write. */
export function runsOf(text: string, weight: Weight): { face: string; text: string }[] {
  const runs: { face: string; text: string }[] = [];
  for (const char of text.replaceAll(/\s+/g, ' ')) {
    const found = FACES[weight].find((f) => f.has(char.codePointAt(0)!));
    const { name } = found ?? FACES[weight][0];
    const last = runs.at(-1);
    if (last?.face === name) last.text += found ? char : UNKNOWN;
    else runs.push({ face: name, text: found ? char : UNKNOWN });
  }
  return runs;
}
