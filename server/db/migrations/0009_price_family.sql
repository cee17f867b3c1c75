-- A price may be for a family of carburettors.
ALTER TABLE price_line ADD COLUMN family text CHECK (length(family) BETWEEN 1 AND 40);
ALTER TABLE price_line ADD CHECK (family IS NULL OR (kind IS NULL AND model IS NULL));
DROP INDEX price_line_for;
CREATE INDEX price_line_for ON price_line (what, kind, family, lower(maker), lower(model), n DESC);
