-- A pattern that is measured on its tissue changes under its projects: what the shelf says of them is stale then.
CREATE TRIGGER pattern_changed AFTER UPDATE OF document ON pattern BEGIN
    UPDATE project_summary SET fresh = 0 WHERE project_id IN (SELECT id FROM project WHERE pattern_id = new.id);
END;
