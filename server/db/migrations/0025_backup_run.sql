-- Backups that were made by night, and rehearsals of them: when, where, and how they went. Only ever added to.
CREATE TABLE backup_run (
  n bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  at timestamptz NOT NULL DEFAULT now(),
  kind text NOT NULL CHECK (kind IN ('backup', 'rehearsal')),
  -- The folder it stands in; of a rehearsal, the file.
  place text NOT NULL,
  -- Why it went wrong; null where it went well.
  problem text,
  bytes bigint
);
CREATE INDEX backup_run_last ON backup_run (kind, place, n DESC);
