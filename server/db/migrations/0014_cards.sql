-- What lists need to know of a job, worked out from its log in the transaction that grows it: the log stays the truth, and a card
-- can be made anew from it at any time.
CREATE TABLE job_card (
  job_id uuid PRIMARY KEY REFERENCES job (id),
  -- By which way of working it out, from how long a log, and from which figures of its model.
  version integer NOT NULL,
  seq integer NOT NULL,
  facts text NOT NULL,
  customer_id uuid NOT NULL REFERENCES customer (id),
  machine_id uuid NOT NULL REFERENCES machine (id),
  stage text NOT NULL,
  since timestamptz NOT NULL,
  shared_can boolean NOT NULL,
  says jsonb NOT NULL CHECK (jsonb_typeof(says) = 'object'),
  -- What it can be found by: small letters and figures, single words.
  words text NOT NULL,
  lexemes tsvector GENERATED ALWAYS AS (to_tsvector('simple', words)) STORED,
  -- What the engine makes of it, and of what just: it comes later, and holds nobody up.
  outlook jsonb CHECK (jsonb_typeof(outlook) = 'object'),
  outlook_key text,
  CHECK ((outlook IS NULL) = (outlook_key IS NULL))
);
CREATE INDEX job_card_open ON job_card (customer_id) WHERE stage <> 'closed';
CREATE INDEX job_card_closed ON job_card (since DESC, job_id DESC) WHERE stage = 'closed';
CREATE INDEX job_card_words ON job_card USING gin (lexemes);
CREATE INDEX job_card_of_machine ON job_card (machine_id, since DESC);

-- Squeezes measured and not struck, as the jobs' logs say; `model` is its maker and model in small letters.
CREATE TABLE squeeze (
  entry_id uuid PRIMARY KEY REFERENCES bench_entry (id),
  job_id uuid NOT NULL REFERENCES job (id),
  machine_id uuid NOT NULL REFERENCES machine (id),
  model text NOT NULL,
  psi double precision NOT NULL,
  sound boolean NOT NULL,
  noted_at timestamptz NOT NULL
);
CREATE INDEX squeeze_of_job ON squeeze (job_id);
CREATE INDEX squeeze_of_model ON squeeze (model, noted_at DESC);
CREATE INDEX squeeze_of_machine ON squeeze (machine_id, noted_at DESC);

-- What a machine's carburettor is, as it was said last on a job and not struck.
CREATE TABLE carburettor_seen (
  job_id uuid PRIMARY KEY REFERENCES job (id),
  machine_id uuid NOT NULL REFERENCES machine (id),
  model text NOT NULL,
  body jsonb NOT NULL,
  noted_at timestamptz NOT NULL
);
CREATE INDEX carburettor_of_model ON carburettor_seen (model, noted_at DESC);
CREATE INDEX carburettor_of_machine ON carburettor_seen (machine_id, noted_at DESC);
DROP INDEX bench_entry_carburettor;

-- Every word that anything can be found by: what somebody types with a slip is held against them.
CREATE EXTENSION IF NOT EXISTS pg_trgm;
CREATE EXTENSION IF NOT EXISTS fuzzystrmatch;
CREATE TABLE word (
  word text COLLATE "C" PRIMARY KEY CHECK (length(word) BETWEEN 1 AND 60)
);
-- Numbers are found as they are: nothing is like them.
CREATE INDEX word_like ON word USING gin (word gin_trgm_ops) WHERE word !~ '[0-9]';
CREATE INDEX word_near ON word (left(word, 1), length(word)) WHERE word !~ '[0-9]';

-- Owners and machines by their own names.
ALTER TABLE customer ADD COLUMN words tsvector GENERATED ALWAYS AS (
  to_tsvector('simple', regexp_replace(lower(name || ' ' || coalesce(circle, '') || ' ' || coalesce(phone, '')), '[^[:alnum:]]+', ' ', 'g'))) STORED;
CREATE INDEX customer_words ON customer USING gin (words);
ALTER TABLE machine ADD COLUMN words tsvector GENERATED ALWAYS AS (
  to_tsvector('simple', regexp_replace(lower(maker || ' ' || model || ' ' || coalesce(serial, '')), '[^[:alnum:]]+', ' ', 'g'))) STORED;
CREATE INDEX machine_words ON machine USING gin (words);
CREATE INDEX machine_of_model ON machine (lower(maker), lower(model));
