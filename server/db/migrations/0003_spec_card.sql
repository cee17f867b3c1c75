-- The maker's own figures for a model. Kept like the log: a change is a new row, the newest of a model counts.
CREATE TABLE spec_card (
  n integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY,
  maker text NOT NULL CHECK (length(trim(maker)) BETWEEN 1 AND 60),
  model text NOT NULL CHECK (length(trim(model)) BETWEEN 1 AND 60),
  figures jsonb NOT NULL CHECK (jsonb_typeof(figures) = 'object'),
  source text CHECK (length(trim(source)) BETWEEN 1 AND 300),
  at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX spec_card_of_model ON spec_card (lower(maker), lower(model), n DESC);
