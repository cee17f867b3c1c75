-- Who may in, and as what. Without a secret nobody signs in by that name; whoever left stays on the logs.
ALTER TABLE account
  ADD COLUMN role text NOT NULL DEFAULT 'technician' CHECK (role IN ('reader', 'counter', 'technician', 'lead')),
  ADD COLUMN secret text,
  -- Shown where one signs in: only the demo's own people have one, until they choose another.
  ADD COLUMN demo_pin text,
  ADD COLUMN left_at timestamptz;

-- A device that is signed in: whoever has it in hand now.
CREATE TABLE session (
  id uuid PRIMARY KEY,
  token_hash bytea NOT NULL UNIQUE CHECK (length(token_hash) = 32),
  account_id uuid NOT NULL REFERENCES account (id),
  device text NOT NULL,
  address text NOT NULL,
  began_at timestamptz NOT NULL DEFAULT now(),
  seen_at timestamptz NOT NULL DEFAULT now(),
  -- When whoever has it in hand last proved who they are; null where they took it over in two taps.
  fresh_at timestamptz,
  locked_at timestamptz
);
CREATE INDEX session_of_account ON session (account_id);

-- Everybody who has proved on this device who they are.
CREATE TABLE session_hand (
  session_id uuid REFERENCES session (id) ON DELETE CASCADE,
  account_id uuid REFERENCES account (id),
  proved_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (session_id, account_id)
);

-- Every secret that was tried, a try that is still being looked at among the wrong ones.
CREATE TABLE sign_in_try (
  id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  account_id uuid,
  address text NOT NULL,
  at timestamptz NOT NULL DEFAULT now(),
  good boolean NOT NULL DEFAULT false
);
CREATE INDEX sign_in_try_of_account ON sign_in_try (account_id, at);
CREATE INDEX sign_in_try_of_address ON sign_in_try (address, at);

-- Instruments that feed readings, each by a token of its own.
CREATE TABLE instrument (
  id uuid PRIMARY KEY,
  name text NOT NULL CHECK (length(trim(name)) BETWEEN 1 AND 80),
  token_hash bytea NOT NULL UNIQUE CHECK (length(token_hash) = 32),
  made_at timestamptz NOT NULL DEFAULT now(),
  made_by uuid REFERENCES account (id),
  withdrawn_at timestamptz
);

-- What was done with access and settings, by whom, from where. Only ever added to.
CREATE TABLE audit (
  n bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  at timestamptz NOT NULL DEFAULT now(),
  account_id uuid REFERENCES account (id),
  address text,
  what text NOT NULL,
  about jsonb NOT NULL DEFAULT '{}'
);
CREATE FUNCTION audit_stays() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'what was done is only ever added to';
END $$;
CREATE TRIGGER audit_stays BEFORE UPDATE OR DELETE ON audit FOR EACH ROW EXECUTE FUNCTION audit_stays();
