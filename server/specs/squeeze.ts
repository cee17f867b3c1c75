import type { SqueezeReading } from '@rusty-wren/contract';
import type { LatelyLow } from '@rusty-wren/core/compression';
import type { Db } from '../db/pool';

interface OfModel {
  maker: string;
  model: string;
}

/** A maker's model as it is looked up: case does not count. */
export const modelKey = ({ maker, model }: OfModel): string => `${maker} ${model}`.toLowerCase();

/** So many of a model tell what is usual; so many of one machine show its life. */
const MOST_OF_MODEL = 60;
const MOST_OF_MACHINE = 40;

interface Row {
  model: string;
  machine_id: string;
  psi: number;
  sound: boolean;
  noted_at: Date;
  tag: number;
}

const readingOf = (row: Row): SqueezeReading => ({
  machineId: row.machine_id,
  tag: row.tag,
  psi: row.psi,
  sound: row.sound,
  notedAt: row.noted_at.toISOString(),
});

/**
 * The latest squeezes of each of some models that this shop has measured and not struck: psi as it would read at sea level,
 * oldest first.
 */
export async function readSqueezes(
  db: Db,
  models: readonly OfModel[],
): Promise<(model: OfModel) => readonly SqueezeReading[]> {
  const { rows } = await db.query<Row>({
    name: 'squeezes_of_models',
    text: `SELECT wanted.model, s.machine_id, s.psi, s.sound, s.noted_at, j.tag
      FROM unnest($1::text[]) AS wanted (model)
      CROSS JOIN LATERAL (
        SELECT * FROM squeeze WHERE model = wanted.model ORDER BY noted_at DESC LIMIT ${MOST_OF_MODEL}
      ) s JOIN job j ON j.id = s.job_id
      ORDER BY s.noted_at, s.entry_id`,
    values: [[...new Set(models.map(modelKey))]],
  });
  const byModel = new Map<string, SqueezeReading[]>();
  for (const row of rows)
    if (!byModel.get(row.model)?.push(readingOf(row))) byModel.set(row.model, [readingOf(row)]);
  return (model) => byModel.get(modelKey(model)) ?? [];
}

/** The latest squeezes of one machine, oldest first. */
export async function readSqueezesOf(db: Db, machineId: string): Promise<SqueezeReading[]> {
  const { rows } = await db.query<Row>(
    `SELECT s.model, s.machine_id, s.psi, s.sound, s.noted_at, j.tag FROM squeeze s JOIN job j ON j.id = s.job_id
     WHERE s.machine_id = $1 ORDER BY s.noted_at DESC, s.entry_id DESC LIMIT ${MOST_OF_MACHINE}`,
    [machineId],
  );
  return rows.map(readingOf).reverse();
}

/** The days in which a gauge may have begun to read low; among so many readings before them is what is usual here. */
const LATELY_DAYS = 10;
const MOST_LATELY = 300;

/** How the machines measured last read, each by its last squeeze, against those before; null where none was measured lately. */
export async function readLatelyLow(db: Db): Promise<LatelyLow | null> {
  const { rows } = await db.query<{ lately: boolean; low: number; of: number }>({
    name: 'squeezes_lately',
    text: `WITH read AS (SELECT machine_id, sound, noted_at FROM squeeze ORDER BY noted_at DESC LIMIT ${MOST_LATELY}),
       last AS (SELECT DISTINCT ON (machine_id) sound, noted_at FROM read ORDER BY machine_id, noted_at DESC)
     SELECT noted_at > now() - make_interval(days => ${LATELY_DAYS}) AS lately,
       count(*) FILTER (WHERE NOT sound)::int AS low, count(*)::int AS of
     FROM last GROUP BY lately`,
  });
  const lately = rows.find((r) => r.lately);
  const usual = rows.find((r) => !r.lately);
  return lately
    ? { low: lately.low, of: lately.of, usualLow: usual?.low ?? 0, usualOf: usual?.of ?? 0 }
    : null;
}

/** What other sound machines of the model read, psi: what this one may be judged by. */
export const soundOthers = (readings: readonly SqueezeReading[], machineId: string): number[] =>
  readings.filter((r) => r.sound && r.machineId !== machineId).map((r) => Math.round(r.psi));
