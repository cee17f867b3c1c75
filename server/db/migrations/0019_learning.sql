-- What a closed job teaches by itself, and beside its owner's others. Worked out from the logs.
CREATE TABLE lesson (
  job_id uuid PRIMARY KEY REFERENCES job (id),
  customer_id uuid NOT NULL,
  machine_id uuid NOT NULL,
  class text NOT NULL,
  model text NOT NULL,
  closed_at timestamptz NOT NULL,
  -- Thousandths of a job, and the causes that were there.
  counts integer NOT NULL CHECK (counts BETWEEN 1 AND 1000),
  found text[] NOT NULL,
  -- What the trade would expect is worked out from.
  asked jsonb NOT NULL,
  -- How long its checks took, each as "check, who, step".
  times text[] NOT NULL,
  -- What it would expect; null until it is worked out.
  expected jsonb,
  -- Beside the owner's other jobs: what it adds to the shop's tallies; null where nothing.
  taught jsonb
);
CREATE INDEX lesson_of_owner ON lesson (customer_id);
CREATE INDEX lesson_of_machine ON lesson (machine_id);

-- Owners whose jobs are gone over again.
CREATE TABLE to_learn (
  n bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  customer_id uuid NOT NULL,
  -- The model that a lesson was taken back from.
  class text,
  model text
);

-- What the lessons on each model come to.
CREATE TABLE tally (
  class text NOT NULL,
  model text NOT NULL,
  tally jsonb NOT NULL,
  -- How often checks took so long.
  times jsonb NOT NULL,
  PRIMARY KEY (class, model)
);
CREATE INDEX lesson_of_model ON lesson (class, model);

-- What all of them come to, once; `of`: a name of it.
CREATE TABLE tallied (
  one boolean PRIMARY KEY DEFAULT true CHECK (one),
  tallies jsonb NOT NULL,
  times jsonb NOT NULL,
  of text NOT NULL
);

-- What other shops have learnt, by file: a shop once.
CREATE TABLE tallied_elsewhere (
  shop uuid PRIMARY KEY,
  name text NOT NULL CHECK (length(trim(name)) BETWEEN 1 AND 80),
  -- Hundredths of a job that one of theirs counts here.
  weight integer NOT NULL CHECK (weight BETWEEN 1 AND 100),
  tallies jsonb NOT NULL,
  at timestamptz NOT NULL DEFAULT now()
);

-- Whether the shop's own jobs count: the newest row does. And who this shop is to others, once it has told any.
CREATE TABLE learning (
  n bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  counts boolean NOT NULL,
  at timestamptz NOT NULL DEFAULT now()
);
CREATE TABLE shop_id (
  one boolean PRIMARY KEY DEFAULT true CHECK (one),
  id uuid NOT NULL DEFAULT gen_random_uuid()
);
