import { asJpeg, pdfOf } from './pdf';
import type { ToPrint } from './printer';

/** What the printing thread makes of a paper: its PDF. */
export async function printed({ paper, sheet, photos }: ToPrint): Promise<Uint8Array> {
  const jpegs = await Promise.all(
    [...photos].map(async ([hash, bytes]) => [hash, await asJpeg(Buffer.from(bytes))] as const),
  );
  return pdfOf(paper, { sheet, photos: new Map(jpegs) });
}
