-- When a technician works; without a row, the usual hours.
CREATE TABLE working_hours (
  account_id uuid PRIMARY KEY REFERENCES account (id),
  hours jsonb NOT NULL CHECK (jsonb_typeof(hours) = 'object'),
  at timestamptz NOT NULL DEFAULT now()
);

-- Work that somebody has put with somebody, from a moment on. Kept until it is undone or its job is closed.
CREATE TABLE day_pin (
  task text PRIMARY KEY CHECK (length(task) BETWEEN 1 AND 80),
  job_id uuid NOT NULL REFERENCES job (id),
  account_id uuid NOT NULL REFERENCES account (id),
  from_at timestamptz NOT NULL,
  at timestamptz NOT NULL DEFAULT now()
);

-- The plan as it was worked out last, and for which work: every bench shows the same, and the next one changes little of it.
CREATE TABLE day_plan (
  n bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  key text NOT NULL CHECK (length(key) BETWEEN 1 AND 64),
  zero timestamptz NOT NULL,
  slots jsonb NOT NULL CHECK (jsonb_typeof(slots) = 'array'),
  at timestamptz NOT NULL DEFAULT now()
);
