-- What the shop knows of a model beside its figures: what opens it, and what bites. Grown at the bench, a line at a time.
CREATE TABLE model_note (
  id uuid PRIMARY KEY,
  maker text NOT NULL CHECK (length(trim(maker)) BETWEEN 1 AND 60),
  model text NOT NULL CHECK (length(trim(model)) BETWEEN 1 AND 60),
  place text NOT NULL CHECK (place ~ '^(model|(part|check|layer)/[a-z-]{2,40})$'),
  says text NOT NULL CHECK (length(trim(says)) BETWEEN 1 AND 160),
  account_id uuid REFERENCES account (id),
  at timestamptz NOT NULL DEFAULT now()
);
-- Said once is enough, whatever the case of its letters.
CREATE UNIQUE INDEX model_note_once ON model_note (lower(maker), lower(model), place, lower(says));
