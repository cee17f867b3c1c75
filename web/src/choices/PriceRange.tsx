import type { Range } from '@rusty-wren/core/worth';
import type { ReactElement } from 'react';

/** A price on the scale that all choices share: from where to where it may come out, its mean, and what a like one costs. */
export function PriceRange({
  price,
  most,
  like,
}: {
  price: Range;
  most: number;
  like: number;
}): ReactElement {
  const at = (cents: number): number => (most > 0 ? (100 * cents) / most : 0);
  return (
    <svg
      viewBox="0 0 100 9"
      preserveAspectRatio="none"
      aria-hidden
      className="mt-1 h-4 w-full overflow-visible"
    >
      <path d="M0 6h100" className="stroke-line" strokeWidth="1" vectorEffect="non-scaling-stroke" />
      <path
        d={`M${at(like)} 1v8`}
        className="stroke-soft"
        strokeWidth="2"
        strokeDasharray="2 2"
        vectorEffect="non-scaling-stroke"
      />
      <rect
        x={at(price.low)}
        y="3.5"
        width={Math.max(1.5, at(price.high) - at(price.low))}
        height="5"
        className="fill-ink"
      />
    </svg>
  );
}
