-- Nor is it emptied: rows are not looked at one by one then.
CREATE TRIGGER audit_no_truncate BEFORE TRUNCATE ON audit FOR EACH STATEMENT EXECUTE FUNCTION audit_stays();
