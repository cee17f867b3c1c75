-- A try on a device on which that person has proved before who they are counts by the device; any other, by where it comes from.
ALTER TABLE sign_in_try ADD COLUMN session_id uuid;

-- What the first lead is made with: printed on the terminal of the machine the shop runs on, by every process the same.
CREATE TABLE first_lead_code (
  one boolean PRIMARY KEY DEFAULT true CHECK (one),
  code text NOT NULL CHECK (code ~ '^\d{8}$')
);
