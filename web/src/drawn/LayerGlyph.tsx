import type { StackId } from '@rusty-wren/core/knowledge';
import type { ReactElement } from 'react';
import { Strokes } from './Strokes';

/** Each layer of a carburettor as it is seen a little from above: what is round lies as an ellipse on the axis. */
const STROKES: Readonly<Record<StackId, readonly string[]>> = {
  'pump-cover': ['M12 16l12-8h48l12 8v6l-12 6H24l-12-6z', 'M12 16l12 6h48l12-6', 'M48 12v6'],
  'metering-cover': ['M12 16l12-8h48l12 8v6l-12 6H24l-12-6z', 'M12 16l12 6h48l12-6', 'M45 14h6'],
  'pump-gasket': ['M12 18l14-9h44l14 9-14 9H26z', 'M30 18l8-5h20l8 5-8 5H38z'],
  'pump-diaphragm': [
    'M12 18l14-9h44l14 9-14 9H26z',
    'M34 15c0-4 10-4 10 0l-1 4h-8z',
    'M53 15c0-4 10-4 10 0l-1 4h-8z',
  ],
  'inlet-screen': [
    'M34 18a14 7 0 1 0 28 0a14 7 0 1 0-28 0',
    'M40 12v12M45 11v14M51 11v14M56 12v12M35 15h26M34 18h28M35 21h26',
  ],
  'accelerator-piston': ['M38 10h20v16H38z', 'M38 14h20', 'M44 26v6M52 26v6'],
  'metering-diaphragm': [
    'M14 18a34 10 0 1 0 68 0a34 10 0 1 0-68 0',
    'M40 17a8 4 0 1 0 16 0a8 4 0 1 0-16 0',
    'M44 20v4h8v-4',
  ],
  'metering-gasket': ['M14 18a34 10 0 1 0 68 0a34 10 0 1 0-68 0', 'M24 18a24 6 0 1 0 48 0a24 6 0 1 0-48 0'],
  'lever-screw': [
    'M42 12a6 4 0 1 0 12 0a6 4 0 1 0-12 0',
    'M44 11l8 2',
    'M45 16v12h6V16',
    'M45 20l6 2M45 24l6 2',
  ],
  'lever-pin': ['M28 16h40v4H28z'],
  'metering-lever': ['M20 22h6l4-6h38l8-3', 'M26 22l-4 4M26 22l-4-4', 'M46 13a4 3 0 1 0 8 0a4 3 0 1 0-8 0'],
  'inlet-needle': ['M43 6h10v4H43z', 'M44 10h8v12h-8z', 'M44 22h8l-4 9z'],
  'lever-spring': ['M40 8h16l-16 5h16l-16 5h16l-16 5h16l-16 5'],
  'nozzle-check': ['M40 18a8 5 0 1 0 16 0a8 5 0 1 0-16 0', 'M48 18v8M45 18h6'],
  'welch-plugs': ['M26 18a9 5 0 1 0 18 0a9 5 0 1 0-18 0', 'M54 18a7 4 0 1 0 14 0a7 4 0 1 0-14 0'],
  'purge-bulb': ['M30 26c0-24 36-24 36 0', 'M24 26a24 5 0 1 0 48 0a24 5 0 1 0-48 0'],
  'bulb-ring': [
    'M18 18a30 9 0 1 0 60 0a30 9 0 1 0-60 0',
    'M30 18a18 5 0 1 0 36 0a18 5 0 1 0-36 0',
    'M22 18h3M71 18h3',
  ],
  'check-valve': ['M28 14c8-8 32-8 40 0c-8 6-32 6-40 0', 'M45 18v12h6V18'],
  'limiter-caps': ['M30 10h12v14H30z', 'M30 14l-5 3', 'M54 10h12v14H54z', 'M66 14l5 3'],
  'screw-plug': ['M40 12a8 5 0 1 0 16 0v8a8 5 0 0 1-16 0z'],
  'low-screw': [
    'M18 12h12v12H18z',
    'M24 12v12',
    'M30 16h28v4H30z',
    'M34 14v8M38 14v8M42 14v8',
    'M58 16l20 2-20 2',
  ],
  'high-screw': [
    'M18 12h12v12H18z',
    'M24 12v12',
    'M30 16h28v4H30z',
    'M34 14v8M38 14v8M42 14v8',
    'M58 16l20 2-20 2',
  ],
};

/** One layer, drawn; `ghost`: only where it sat. */
export const LayerGlyph = ({
  id,
  ghost = false,
  className = '',
}: {
  id: StackId;
  ghost?: boolean;
  className?: string;
}): ReactElement => (
  <Strokes
    viewBox="0 0 96 36"
    className={className}
    fill="var(--card)"
    strokeWidth={2}
    strokeDasharray={ghost ? '3 4' : undefined}
  >
    {STROKES[id].map((d) => (
      <path key={d} d={d} fill={ghost ? 'none' : undefined} />
    ))}
  </Strokes>
);

/** The body the layers sit on, with its throat: a plate on a shaft, or a barrel. */
export const BodyGlyph = ({
  throat,
  className = '',
}: {
  throat: 'butterfly' | 'barrel';
  className?: string;
}): ReactElement => (
  <Strokes viewBox="0 0 160 60" className={className} fill="var(--card)">
    <path d="M8 14h144v36H8z" />
    <path d="M58 32a22 15 0 1 0 44 0a22 15 0 1 0-44 0" fill="var(--paper)" />
    {throat === 'butterfly' ? (
      <>
        <path d="M80 4v56" />
        <path d="M66 24l28 16" strokeWidth={4} />
      </>
    ) : (
      <>
        <path d="M66 2h28v50H66z" />
        <path d="M72 34a8 8 0 1 0 16 0a8 8 0 1 0-16 0" fill="var(--paper)" />
      </>
    )}
  </Strokes>
);
