-- What the shop goes by when it says whether something is worth it: the newest counts.
CREATE TABLE shop_rules (
  n bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  rules jsonb NOT NULL CHECK (jsonb_typeof(rules) = 'object'),
  at timestamptz NOT NULL DEFAULT now()
);

-- Its price book: for a model, a kind of machine, or all; of lines for the same the newest counts. Without a price the line is gone.
CREATE TABLE price_line (
  n bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  what text NOT NULL CHECK (length(what) BETWEEN 1 AND 60),
  kind text CHECK (length(kind) BETWEEN 1 AND 40),
  maker text CHECK (length(maker) BETWEEN 1 AND 60),
  model text CHECK (length(model) BETWEEN 1 AND 60),
  price integer CHECK (price BETWEEN 0 AND 1000000),
  cost integer CHECK (cost BETWEEN 0 AND 1000000),
  wait_days integer CHECK (wait_days BETWEEN 0 AND 365),
  at timestamptz NOT NULL DEFAULT now(),
  CHECK ((maker IS NULL) = (model IS NULL)),
  CHECK (kind IS NULL OR model IS NULL)
);
CREATE INDEX price_line_for ON price_line (what, kind, lower(maker), lower(model), n DESC);
