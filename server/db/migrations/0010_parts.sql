-- The shop's catalogue of parts. What is on the shelf is not here: it is the sum of the movements.
CREATE TABLE part (
  id uuid PRIMARY KEY,
  name text NOT NULL CHECK (length(trim(name)) BETWEEN 1 AND 120),
  code text CHECK (length(trim(code)) BETWEEN 1 AND 60),
  uses text[] NOT NULL DEFAULT '{}',
  fits jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(fits) = 'array'),
  holds text[] NOT NULL DEFAULT '{}',
  shelf text CHECK (length(trim(shelf)) BETWEEN 1 AND 40),
  least integer NOT NULL DEFAULT 0 CHECK (least BETWEEN 0 AND 100000),
  price integer NOT NULL CHECK (price BETWEEN 0 AND 1000000),
  cost integer CHECK (cost BETWEEN 0 AND 1000000),
  sources jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(sources) = 'array'),
  donor jsonb CHECK (jsonb_typeof(donor) = 'object'),
  at timestamptz NOT NULL DEFAULT now()
);
CREATE UNIQUE INDEX part_code ON part (code);

-- Which part may go in the place of which, and what has to be seen to.
CREATE TABLE part_instead (
  part_id uuid NOT NULL REFERENCES part (id),
  other_id uuid NOT NULL REFERENCES part (id),
  condition text NOT NULL CHECK (length(trim(condition)) BETWEEN 1 AND 300),
  PRIMARY KEY (part_id, other_id),
  CHECK (part_id <> other_id)
);

CREATE TABLE part_order (
  id uuid PRIMARY KEY,
  part_id uuid NOT NULL REFERENCES part (id),
  count integer NOT NULL CHECK (count BETWEEN 1 AND 10000),
  source text NOT NULL CHECK (length(source) <= 80),
  expected_on date,
  ordered_at timestamptz NOT NULL DEFAULT now(),
  received_at timestamptz,
  cancelled_at timestamptz,
  CHECK (received_at IS NULL OR cancelled_at IS NULL)
);
CREATE INDEX part_order_open ON part_order (part_id) WHERE received_at IS NULL AND cancelled_at IS NULL;

-- A part for a job, as somebody has seen to it. What a job wants is worked out from its log.
CREATE TABLE part_need (
  id uuid PRIMARY KEY,
  job_id uuid NOT NULL REFERENCES job (id),
  use text CHECK (length(use) BETWEEN 1 AND 60),
  name text NOT NULL CHECK (length(trim(name)) BETWEEN 1 AND 120),
  part_id uuid REFERENCES part (id),
  count integer NOT NULL DEFAULT 1 CHECK (count BETWEEN 1 AND 100),
  state text NOT NULL CHECK (state IN ('to-order', 'ordered', 'reserved', 'fitted', 'dropped')),
  source text CHECK (length(source) <= 80),
  order_id uuid REFERENCES part_order (id),
  at timestamptz NOT NULL DEFAULT now(),
  CHECK ((state = 'ordered') <= (order_id IS NOT NULL)),
  CHECK (state NOT IN ('ordered', 'reserved', 'fitted') OR part_id IS NOT NULL)
);
CREATE UNIQUE INDEX part_need_once ON part_need (job_id, use) WHERE state <> 'dropped';
CREATE INDEX part_need_open ON part_need (state) WHERE state IN ('to-order', 'ordered', 'reserved');
CREATE INDEX part_need_of_order ON part_need (order_id) WHERE order_id IS NOT NULL;

-- The ledger of the drawer: what came, was set aside, fitted, given back, counted. The newest row of a part says how many lie
-- there and how many of those are set aside; neither can be under nothing, and no more set aside than lie there.
CREATE TABLE part_move (
  id uuid PRIMARY KEY,
  part_id uuid NOT NULL REFERENCES part (id),
  seq integer NOT NULL,
  kind text NOT NULL,
  on_hand integer NOT NULL,
  held integer NOT NULL,
  need_id uuid REFERENCES part_need (id),
  order_id uuid REFERENCES part_order (id),
  words text CHECK (length(words) BETWEEN 1 AND 300),
  account_id uuid REFERENCES account (id),
  at timestamptz NOT NULL DEFAULT now(),
  on_hand_after integer NOT NULL,
  held_after integer NOT NULL,
  UNIQUE (part_id, seq),
  CONSTRAINT part_move_is CHECK (
    CASE kind
      WHEN 'booked-in' THEN on_hand > 0 AND held = 0
      WHEN 'counted' THEN held = 0
      WHEN 'reserved' THEN on_hand = 0 AND held > 0
      WHEN 'released' THEN on_hand = 0 AND held < 0
      WHEN 'fitted' THEN on_hand < 0 AND held = on_hand
      WHEN 'returned' THEN on_hand > 0 AND held = 0
      ELSE false
    END),
  CONSTRAINT part_move_for CHECK ((kind IN ('reserved', 'released', 'fitted', 'returned')) = (need_id IS NOT NULL)),
  CONSTRAINT part_not_under_nothing CHECK (on_hand_after >= 0 AND held_after >= 0),
  CONSTRAINT part_not_given_twice CHECK (held_after <= on_hand_after)
);

-- One movement of a part after the other: whoever comes second waits, and counts on from the first.
CREATE FUNCTION part_move_counts() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE last part_move;
BEGIN
  -- Not FOR UPDATE: every need and order holds its part against being erased, and two of them would wait for each other.
  PERFORM 1 FROM part WHERE id = NEW.part_id FOR NO KEY UPDATE;
  SELECT * INTO last FROM part_move WHERE part_id = NEW.part_id ORDER BY seq DESC LIMIT 1;
  NEW.seq := coalesce(last.seq, 0) + 1;
  NEW.on_hand_after := coalesce(last.on_hand_after, 0) + NEW.on_hand;
  NEW.held_after := coalesce(last.held_after, 0) + NEW.held;
  RETURN NEW;
END $$;
CREATE TRIGGER part_move_counted BEFORE INSERT ON part_move
  FOR EACH ROW EXECUTE FUNCTION part_move_counts();

CREATE FUNCTION part_move_is_append_only() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'the ledger of parts is append-only: count again instead'
    USING ERRCODE = 'restrict_violation';
END $$;
CREATE TRIGGER part_move_no_change BEFORE UPDATE OR DELETE ON part_move
  FOR EACH ROW EXECUTE FUNCTION part_move_is_append_only();
CREATE TRIGGER part_move_no_truncate BEFORE TRUNCATE ON part_move
  FOR EACH STATEMENT EXECUTE FUNCTION part_move_is_append_only();

-- What lies in the drawer now.
CREATE VIEW part_stock AS
  SELECT p.id AS part_id, coalesce(m.on_hand_after, 0) AS on_hand, coalesce(m.held_after, 0) AS held
  FROM part p
  LEFT JOIN LATERAL (
    SELECT on_hand_after, held_after FROM part_move WHERE part_id = p.id ORDER BY seq DESC LIMIT 1
  ) m ON true;
