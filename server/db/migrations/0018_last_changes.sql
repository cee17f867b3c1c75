-- Who changed a setting last is asked by what was done.
CREATE INDEX audit_by_what ON audit (what, n);
