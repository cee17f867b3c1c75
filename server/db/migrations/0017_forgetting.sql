-- An owner's details can be taken out. The log stays as it is but for the texts of their own jobs, and only while that is done.
ALTER TABLE customer ADD COLUMN forgotten_at timestamptz;

CREATE OR REPLACE FUNCTION bench_entry_is_append_only() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP = 'UPDATE' AND current_setting('wren.forgetting', true) = 'on'
    AND (NEW.id, NEW.job_id, NEW.seq, NEW.at, NEW.noted_at, NEW.account_id, NEW.kind, NEW.strikes)
      IS NOT DISTINCT FROM (OLD.id, OLD.job_id, OLD.seq, OLD.at, OLD.noted_at, OLD.account_id, OLD.kind, OLD.strikes) THEN
    RETURN NEW;
  END IF;
  RAISE EXCEPTION 'the bench log is append-only: strike the entry instead'
    USING ERRCODE = 'restrict_violation';
END $$;
