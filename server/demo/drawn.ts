import { createHash } from 'node:crypto';
import sharp from 'sharp';

type Colour = readonly [r: number, g: number, b: number];

/** A shape on a drawn picture: an ellipse or a bar, in shares of its width and height. */
export interface Shape {
  kind: 'ellipse' | 'bar';
  x: number;
  y: number;
  w: number;
  h: number;
  colour: Colour;
}

const WIDTH = 800;
const HEIGHT = 600;
const CLOTH: Colour = [196, 184, 160];

const holds = ({ kind, x, y, w, h }: Shape, px: number, py: number): boolean => {
  const [dx, dy] = [(px - x) / (w / 2), (py - y) / (h / 2)];
  return kind === 'bar' ? Math.abs(dx) <= 1 && Math.abs(dy) <= 1 : dx * dx + dy * dy <= 1;
};

/** A picture of a bench cloth with shapes laid on it, the last on top, as WebP: no photograph of anything real. */
export async function drawPhoto(
  shapes: readonly Shape[],
): Promise<{ hash: string; width: number; height: number; bytes: Buffer }> {
  const pixels = Buffer.alloc(WIDTH * HEIGHT * 3);
  for (let at = 0; at < WIDTH * HEIGHT; at++) {
    const [col, row] = [at % WIDTH, Math.floor(at / WIDTH)];
    const top = shapes.findLast((s) => holds(s, (col + 0.5) / WIDTH, (row + 0.5) / HEIGHT));
    // The weave of the cloth, and a little grain on everything.
    const grain = top ? ((col * 7 + row * 13) % 11) - 5 : (col + row) % 6 < 3 ? 6 : -6;
    (top?.colour ?? CLOTH).forEach((c, n) => (pixels[3 * at + n] = Math.max(0, Math.min(255, c + grain))));
  }
  const bytes = await sharp(pixels, { raw: { width: WIDTH, height: HEIGHT, channels: 3 } })
    .webp({ quality: 80 })
    .toBuffer();
  return { hash: createHash('sha256').update(bytes).digest('hex'), width: WIDTH, height: HEIGHT, bytes };
}

const METAL: Colour = [150, 152, 150];
const DARK: Colour = [52, 44, 36];
const RUBBER: Colour = [70, 66, 62];
const GASKET: Colour = [176, 142, 84];

/** What is drawn for the demo: the throttle link in its hole, a metering diaphragm gone stiff. */
export const DRAWN = {
  link: [
    { kind: 'bar', x: 0.5, y: 0.55, w: 0.6, h: 0.5, colour: METAL },
    { kind: 'ellipse', x: 0.45, y: 0.55, w: 0.3, h: 0.36, colour: DARK },
    { kind: 'bar', x: 0.7, y: 0.36, w: 0.05, h: 0.3, colour: [120, 122, 122] },
    { kind: 'ellipse', x: 0.7, y: 0.26, w: 0.03, h: 0.04, colour: DARK },
    { kind: 'ellipse', x: 0.7, y: 0.34, w: 0.03, h: 0.04, colour: DARK },
    { kind: 'bar', x: 0.86, y: 0.34, w: 0.34, h: 0.015, colour: [210, 210, 205] },
  ],
  diaphragm: [
    { kind: 'ellipse', x: 0.5, y: 0.5, w: 0.7, h: 0.86, colour: GASKET },
    { kind: 'ellipse', x: 0.5, y: 0.5, w: 0.6, h: 0.74, colour: RUBBER },
    { kind: 'ellipse', x: 0.5, y: 0.5, w: 0.16, h: 0.2, colour: METAL },
    { kind: 'ellipse', x: 0.36, y: 0.36, w: 0.1, h: 0.07, colour: [116, 92, 58] },
    { kind: 'ellipse', x: 0.66, y: 0.62, w: 0.12, h: 0.06, colour: [116, 92, 58] },
  ],
} as const satisfies Record<string, readonly Shape[]>;
export type DrawnId = keyof typeof DRAWN;
