-- A technician's day as a calendar to subscribe to: by a token that only the address holds; kept as its SHA-256.
CREATE TABLE calendar_link (
  token_hash bytea PRIMARY KEY CHECK (octet_length(token_hash) = 32),
  account_id uuid NOT NULL REFERENCES account (id),
  made_at timestamptz NOT NULL DEFAULT now(),
  withdrawn_at timestamptz
);
-- Everybody has one at a time.
CREATE UNIQUE INDEX calendar_link_open ON calendar_link (account_id) WHERE withdrawn_at IS NULL;
