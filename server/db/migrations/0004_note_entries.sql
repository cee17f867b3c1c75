-- Many entries, of any jobs, in one statement; each is taken in, was there already, or is refused with a word why.
-- Called by itself it is its own transaction: one round trip and one commit, however many entries it brings.
CREATE FUNCTION note_entries(sent jsonb)
RETURNS TABLE (n integer, seq integer, refusal text) LANGUAGE plpgsql AS $$
#variable_conflict use_column
BEGIN
  -- Holding the jobs' rows, in one order, makes concurrent writers take turns: the order of a log has no gap and no clash.
  -- Every query below sees what was there once they are held.
  PERFORM 1 FROM job WHERE id IN (SELECT (s ->> 'job')::uuid FROM jsonb_array_elements(sent) AS s)
    ORDER BY id FOR UPDATE;
  RETURN QUERY
  WITH given AS MATERIALIZED (
    SELECT o.n::integer AS n, g.*
    FROM jsonb_array_elements(sent) WITH ORDINALITY AS o (e, n),
      jsonb_to_record(o.e) AS g (job uuid, id uuid, noted_at timestamptz, account uuid, kind text, body jsonb, strikes uuid)
  ), judged AS MATERIALIZED (
    SELECT g.*, known.seq AS known_seq,
      row_number() OVER (PARTITION BY g.id ORDER BY g.n) > 1 AS again,
      CASE
        WHEN j.id IS NULL THEN 'no-job'
        WHEN known.job_id <> g.job OR first_value(g.job) OVER (PARTITION BY g.id ORDER BY g.n) <> g.job THEN 'other-job'
        WHEN known.id IS NOT NULL THEN NULL
        WHEN g.account IS NOT NULL AND a.id IS NULL THEN 'no-account'
        WHEN g.strikes IS NOT NULL
          AND NOT EXISTS (SELECT 1 FROM bench_entry t WHERE t.id = g.strikes AND t.job_id = g.job)
          AND NOT EXISTS (SELECT 1 FROM given t WHERE t.id = g.strikes AND t.job = g.job AND t.n < g.n) THEN 'no-target'
      END AS refusal
    FROM given g
      LEFT JOIN job j ON j.id = g.job
      LEFT JOIN bench_entry known ON known.id = g.id
      LEFT JOIN account a ON a.id = g.account
  ), added AS (
    INSERT INTO bench_entry (id, job_id, seq, noted_at, account_id, kind, body, strikes)
    SELECT id, job,
      (SELECT coalesce(max(e.seq), 0) FROM bench_entry e WHERE e.job_id = f.job)
        + row_number() OVER (PARTITION BY job ORDER BY n),
      noted_at, account, kind, body, strikes
    FROM judged f WHERE refusal IS NULL AND known_seq IS NULL AND NOT again
    ORDER BY n
    RETURNING id, seq
  )
  SELECT judged.n, coalesce(judged.known_seq, added.seq), judged.refusal
  FROM judged LEFT JOIN added ON added.id = judged.id
  ORDER BY judged.n;
END $$;

-- The process that took the entries in says so, once for many of them: a notice inside each transaction makes every
-- commit wait for the one before it.
DROP TRIGGER bench_entry_announced ON bench_entry;
DROP FUNCTION announce_bench_entry();
