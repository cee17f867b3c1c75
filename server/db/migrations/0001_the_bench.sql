-- Who notes things at the bench.
CREATE TABLE account (
  id uuid PRIMARY KEY,
  name text NOT NULL UNIQUE CHECK (length(trim(name)) BETWEEN 1 AND 120)
);

CREATE TABLE customer (
  id uuid PRIMARY KEY,
  name text NOT NULL CHECK (length(trim(name)) BETWEEN 1 AND 120),
  circle text CHECK (length(trim(circle)) BETWEEN 1 AND 80),
  phone text CHECK (length(trim(phone)) BETWEEN 1 AND 40)
);

CREATE TABLE machine (
  id uuid PRIMARY KEY,
  customer_id uuid NOT NULL REFERENCES customer (id),
  kind text NOT NULL CHECK (kind IN (
    'chainsaw', 'pole-saw', 'trimmer', 'edger', 'brush-cutter',
    'hedge-trimmer', 'power-head', 'blower', 'backpack-blower')),
  maker text NOT NULL CHECK (length(trim(maker)) BETWEEN 1 AND 60),
  model text NOT NULL CHECK (length(trim(model)) BETWEEN 1 AND 60),
  serial text CHECK (length(trim(serial)) BETWEEN 1 AND 60),
  displacement_cc real CHECK (displacement_cc BETWEEN 10 AND 200)
);
CREATE INDEX machine_of_customer ON machine (customer_id);

CREATE TABLE job (
  id uuid PRIMARY KEY,
  tag integer NOT NULL UNIQUE GENERATED ALWAYS AS IDENTITY (START WITH 101),
  machine_id uuid NOT NULL REFERENCES machine (id),
  checked_in_at timestamptz NOT NULL DEFAULT now(),
  promised_for date
);
CREATE INDEX job_of_machine ON job (machine_id);

-- The bench log: the truth. Everything else is worked out from it.
CREATE TABLE bench_entry (
  id uuid PRIMARY KEY,
  job_id uuid NOT NULL REFERENCES job (id),
  seq integer NOT NULL CHECK (seq > 0),
  at timestamptz NOT NULL DEFAULT now(),
  noted_at timestamptz NOT NULL,
  account_id uuid REFERENCES account (id),
  kind text NOT NULL CHECK (length(kind) BETWEEN 1 AND 40),
  body jsonb NOT NULL CHECK (jsonb_typeof(body) = 'object'),
  strikes uuid REFERENCES bench_entry (id),
  UNIQUE (job_id, seq),
  CHECK ((kind = 'strike') = (strikes IS NOT NULL))
);

CREATE FUNCTION bench_entry_is_append_only() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'the bench log is append-only: strike the entry instead'
    USING ERRCODE = 'restrict_violation';
END $$;

CREATE TRIGGER bench_entry_no_change BEFORE UPDATE OR DELETE ON bench_entry
  FOR EACH ROW EXECUTE FUNCTION bench_entry_is_append_only();
CREATE TRIGGER bench_entry_no_truncate BEFORE TRUNCATE ON bench_entry
  FOR EACH STATEMENT EXECUTE FUNCTION bench_entry_is_append_only();

CREATE FUNCTION announce_bench_entry() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM pg_notify('job_changed', json_build_object('jobId', NEW.job_id, 'seq', NEW.seq)::text);
  RETURN NULL;
END $$;

CREATE TRIGGER bench_entry_announced AFTER INSERT ON bench_entry
  FOR EACH ROW EXECUTE FUNCTION announce_bench_entry();
