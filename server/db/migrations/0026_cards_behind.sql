-- A card may be behind its log for a moment: what was noted is acknowledged before lists are made anew, and whoever reads a list makes
-- those anew that are behind.
CREATE TABLE card_behind (
  job_id uuid PRIMARY KEY REFERENCES job (id)
);

CREATE OR REPLACE FUNCTION note_entries(sent jsonb)
RETURNS TABLE (n integer, seq integer, refusal text) LANGUAGE plpgsql AS $$
#variable_conflict use_column
DECLARE
  held uuid[];
  e record;
  known_account uuid;
  at_job uuid;
  last integer;
BEGIN
  -- Holding the jobs' rows, in one order, makes concurrent writers take turns: the order of a log has no gap and no clash.
  -- Every query below sees what was there once they are held.
  held := ARRAY(
    SELECT id FROM job WHERE id = ANY (ARRAY(SELECT DISTINCT (s ->> 'job')::uuid FROM jsonb_array_elements(sent) AS s))
    ORDER BY id FOR NO KEY UPDATE);
  n := 0;
  FOR e IN
    SELECT * FROM jsonb_to_recordset(sent)
      AS g (job uuid, id uuid, noted_at timestamptz, account uuid, kind text, body jsonb, strikes uuid, sender uuid)
  LOOP
    n := n + 1;
    seq := NULL;
    refusal := NULL;
    IF e.job <> ALL (held) THEN
      refusal := 'no-job';
    ELSIF e.account IS NOT NULL AND e.account IS DISTINCT FROM known_account
      AND NOT EXISTS (SELECT 1 FROM account a WHERE a.id = e.account) THEN
      refusal := 'no-account';
    ELSIF e.strikes IS NOT NULL
      AND NOT EXISTS (SELECT 1 FROM bench_entry b WHERE b.id = e.strikes AND b.job_id = e.job) THEN
      refusal := 'no-target';
    ELSE
      known_account := coalesce(e.account, known_account);
      IF at_job IS DISTINCT FROM e.job THEN
        at_job := e.job;
        SELECT coalesce(max(b.seq), 0) INTO last FROM bench_entry b WHERE b.job_id = e.job;
      END IF;
      INSERT INTO bench_entry (id, job_id, seq, noted_at, account_id, kind, body, strikes, sent_by)
        VALUES (e.id, e.job, last + 1, e.noted_at, e.account, e.kind, e.body, e.strikes, e.sender)
        ON CONFLICT (id) DO NOTHING;
      IF FOUND THEN
        last := last + 1;
        seq := last;
      ELSE
        -- Sent before, or somebody else's.
        SELECT b.seq INTO seq FROM bench_entry b WHERE b.id = e.id AND b.job_id = e.job;
        IF seq IS NULL THEN
          refusal := 'other-job';
        END IF;
      END IF;
    END IF;
    RETURN NEXT;
  END LOOP;
  -- In a table of its own: a card is large, and stands in many indexes.
  INSERT INTO card_behind SELECT h FROM unnest(held) AS h ON CONFLICT DO NOTHING;
END $$;
