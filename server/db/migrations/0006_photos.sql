-- Photos by what is in them: the same one is kept once, and never changes.
CREATE TABLE attachment (
  hash text PRIMARY KEY CHECK (hash ~ '^[0-9a-f]{64}$'),
  type text NOT NULL CHECK (type IN ('image/jpeg', 'image/png', 'image/webp')),
  width integer NOT NULL CHECK (width BETWEEN 1 AND 1600),
  height integer NOT NULL CHECK (height BETWEEN 1 AND 1600),
  bytes bytea NOT NULL CHECK (octet_length(bytes) BETWEEN 1 AND 2097152),
  at timestamptz NOT NULL DEFAULT now()
);
-- They are compressed already.
ALTER TABLE attachment ALTER COLUMN bytes SET STORAGE EXTERNAL;

CREATE TABLE job_attachment (
  job_id uuid NOT NULL REFERENCES job (id),
  hash text NOT NULL REFERENCES attachment (hash),
  at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (job_id, hash)
);
