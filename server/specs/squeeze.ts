import { factsOf, type Machine, type SqueezeReading } from '@rusty-wren/contract';
import { judgeReading, type Reading } from '@rusty-wren/core/reading';
import type { Db } from '../db/pool';

interface Row {
  machine_id: string;
  kind: Machine['kind'];
  displacement_cc: number | null;
  maker: string;
  model: string;
  reading: Reading;
  tag: number;
  noted_at: Date;
}

const keyOf = ({ maker, model }: { maker: string; model: string }): string =>
  `${maker} ${model}`.toLowerCase();

/**
 * Every squeeze this shop has measured and not struck, by model: psi as it would read at sea level, oldest first. Given
 * a model, only its own.
 */
export async function readSqueeze(
  db: Db,
  of?: { maker: string; model: string },
): Promise<(model: { maker: string; model: string }) => SqueezeReading[]> {
  const { rows } = await db.query<Row>(
    `SELECT m.id AS machine_id, m.kind, m.displacement_cc, m.maker, m.model, e.body->'reading' AS reading, j.tag,
       e.noted_at
     FROM bench_entry e JOIN job j ON j.id = e.job_id JOIN machine m ON m.id = j.machine_id
     WHERE e.kind = 'finding' AND e.body->>'check' = 'compression-gauge' AND e.body->'reading' ? 'psi'
       AND NOT EXISTS (SELECT 1 FROM bench_entry s WHERE s.strikes = e.id)
       AND ($1::text IS NULL OR (lower(m.maker) = lower($1) AND lower(m.model) = lower($2)))
     ORDER BY e.noted_at`,
    [of?.maker ?? null, of?.model ?? null],
  );
  const byModel = new Map<string, SqueezeReading[]>();
  for (const row of rows) {
    const machine = { kind: row.kind, displacementCc: row.displacement_cc };
    // By its class: a card or the shop's own band would be judging themselves.
    const judged = judgeReading('compression-gauge', row.reading, factsOf(machine));
    if ('refused' in judged) continue;
    const readings = byModel.get(keyOf(row)) ?? [];
    readings.push({
      machineId: row.machine_id,
      tag: row.tag,
      psi: judged.value,
      sound: judged.result === 'good',
      notedAt: row.noted_at.toISOString(),
    });
    byModel.set(keyOf(row), readings);
  }
  return (model) => byModel.get(keyOf(model)) ?? [];
}

/** What other sound machines of the model read, psi: what this one may be judged by. */
export const soundOthers = (readings: readonly SqueezeReading[], machineId: string): number[] =>
  readings.filter((r) => r.sound && r.machineId !== machineId).map((r) => Math.round(r.psi));
