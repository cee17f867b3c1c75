import type { ModelRecord } from '@rusty-wren/contract';
import type { Db } from '../db/pool';
import { modelKey } from '../specs/squeeze';

/** What a shop found on so many of the latest jobs is its record; older ones were other times. */
const LATEST = 400;
const MOST = 8;

/** What this shop found and put right on a model, its usual squeeze, and the parts it took. */
export async function recordOf(db: Db, model: { maker: string; model: string }): Promise<ModelRecord> {
  const key = modelKey(model);
  const [found, squeeze, screws, parts] = await Promise.all([
    db.query<{ cause: ModelRecord['found'][number]['cause']; jobs: number; of: number }>(
      `WITH mine AS (
         SELECT job_id, says FROM job_card WHERE model = $1 AND stage = 'closed' ORDER BY since DESC LIMIT ${LATEST}),
       seen AS (
         SELECT DISTINCT job_id, cause FROM mine, LATERAL (
           SELECT f->>'cause' AS cause FROM jsonb_array_elements(says->'mended') f WHERE f ? 'cause'
           UNION SELECT jsonb_array_elements_text(says->'standing')) c)
       SELECT n.of, s.cause, s.jobs FROM (SELECT count(*)::int AS of FROM mine) n
       LEFT JOIN (SELECT cause, count(*)::int AS jobs FROM seen GROUP BY cause ORDER BY jobs DESC, cause LIMIT ${MOST}) s ON true
       ORDER BY s.jobs DESC, s.cause`,
      [key],
    ),
    db.query<{ n: number; psi: number | null }>(
      `SELECT count(*)::int AS n, percentile_cont(0.5) WITHIN GROUP (ORDER BY psi) AS psi
       FROM (SELECT psi FROM squeeze WHERE model = $1 AND sound ORDER BY noted_at DESC LIMIT ${LATEST}) s`,
      [key],
    ),
    db.query<ModelRecord['screws'][number]>(
      `SELECT screw, count(*)::int AS of, percentile_cont(0.5) WITHIN GROUP (ORDER BY turns) AS turns,
         percentile_cont(0.25) WITHIN GROUP (ORDER BY turns) AS from, percentile_cont(0.75) WITHIN GROUP (ORDER BY turns) AS to
       FROM (SELECT leaving FROM job_card WHERE model = $1 AND stage = 'closed' ORDER BY since DESC LIMIT ${LATEST}) latest,
         unnest(ARRAY['L', 'H']) AS screw, LATERAL (SELECT (leaving->'screws'->screw->>'now')::float8 AS turns) t
       WHERE turns IS NOT NULL AND leaving @> '{"proved": true}' GROUP BY screw ORDER BY screw DESC`,
      [key],
    ),
    db.query<ModelRecord['parts'][number]>(
      `SELECT p.name, -sum(v.on_hand)::int AS used FROM part_move v JOIN part_need n ON n.id = v.need_id
       JOIN job j ON j.id = n.job_id JOIN machine m ON m.id = j.machine_id JOIN part p ON p.id = v.part_id
       WHERE v.kind IN ('fitted', 'returned') AND lower(m.maker) = lower($1) AND lower(m.model) = lower($2)
       GROUP BY p.id HAVING -sum(v.on_hand) > 0 ORDER BY used DESC, p.name LIMIT ${MOST}`,
      [model.maker, model.model],
    ),
  ]);
  const { n = 0, psi = null } = squeeze.rows[0] ?? {};
  return {
    jobs: found.rows[0]?.of ?? 0,
    found: found.rows.flatMap(({ cause, jobs }) => (cause ? [{ cause, jobs }] : [])),
    squeeze: psi === null ? null : { psi: Math.round(psi), of: n },
    screws: screws.rows,
    parts: parts.rows,
  };
}
