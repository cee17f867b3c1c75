import type { NeedOfJob, PartOrder } from '@rusty-wren/contract';
import type { Part, Stocked } from '@rusty-wren/core/parts';

export interface PartRow {
  id: string;
  name: string;
  code: string | null;
  uses: Part['uses'];
  fits: Part['fits'];
  holds: Part['holds'];
  shelf: string | null;
  least: number;
  price: number;
  cost: number | null;
  sources: Part['sources'];
  donor: Part['donor'] | null;
  instead: Part['instead'];
  on_hand: number;
  held: number;
}

export const partOf = (row: PartRow): Stocked => ({
  id: row.id,
  name: row.name,
  ...(row.code !== null && { code: row.code }),
  uses: row.uses,
  fits: row.fits,
  holds: row.holds,
  ...(row.shelf !== null && { shelf: row.shelf }),
  least: row.least,
  price: row.price,
  ...(row.cost !== null && { cost: row.cost }),
  sources: row.sources,
  instead: row.instead,
  ...(row.donor && { donor: row.donor }),
  onHand: row.on_hand,
  held: row.held,
});

export interface OrderRow {
  id: string;
  part_id: string;
  count: number;
  source: string;
  expected_on: string | null;
  ordered_at: Date;
}

export const orderOf = (row: OrderRow): PartOrder => ({
  id: row.id,
  part: row.part_id,
  count: row.count,
  source: row.source,
  expected: row.expected_on,
  orderedAt: row.ordered_at.toISOString(),
});

export interface NeedRow {
  id: string;
  job_id: string;
  use: NeedOfJob['use'];
  name: string;
  part_id: string | null;
  count: number;
  state: NeedOfJob['state'];
  source: string | null;
  expected_on: string | null;
  tag: number;
  owner: string;
  maker: string;
  model: string;
  promised_for: string | null;
}

export const needOf = (row: NeedRow): NeedOfJob => ({
  id: row.id,
  jobId: row.job_id,
  use: row.use,
  name: row.name,
  part: row.part_id,
  count: row.count,
  state: row.state,
  source: row.source,
  expected: row.expected_on,
  tag: row.tag,
  owner: row.owner,
  machine: `${row.maker} ${row.model}`,
  promisedFor: row.promised_for,
});
