-- The shop's own order of first checks. Kept like the log: a change is a new row, the newest counts.
CREATE TABLE own_order (
  n integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY,
  checks text[] NOT NULL,
  at timestamptz NOT NULL DEFAULT now()
);
