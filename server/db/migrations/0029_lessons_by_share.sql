-- What a job taught was found on it wholly; now by share: cause to thousandths.
ALTER TABLE lesson ADD COLUMN by_share jsonb;
UPDATE lesson SET by_share =
  (SELECT coalesce(jsonb_object_agg(cause, 1000), '{}') FROM unnest(found) AS c (cause));
ALTER TABLE lesson ALTER COLUMN by_share SET NOT NULL;
ALTER TABLE lesson DROP COLUMN found;
ALTER TABLE lesson RENAME COLUMN by_share TO found;
