-- Pages on which owners answer: one given report each, by a token that only the link holds; kept as its SHA-256.
CREATE TABLE owner_link (
  token_hash bytea PRIMARY KEY CHECK (octet_length(token_hash) = 32),
  job_id uuid NOT NULL REFERENCES job (id),
  entry_id uuid NOT NULL REFERENCES bench_entry (id),
  made_at timestamptz NOT NULL DEFAULT now(),
  expires_at timestamptz NOT NULL CHECK (expires_at > made_at),
  withdrawn_at timestamptz,
  answered_at timestamptz
);
-- A report has one page at a time.
CREATE UNIQUE INDEX owner_link_open ON owner_link (entry_id) WHERE withdrawn_at IS NULL;
