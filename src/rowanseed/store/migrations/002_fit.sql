-- The fit of a project as a document: school, reason, blend, alterations, wish, seams waved through.
ALTER TABLE project ADD COLUMN fit TEXT NOT NULL DEFAULT '{}';

UPDATE project
SET fit = json_object('alterations', json_array(json_object('kind', 'hem', 'by', hem_change)))
WHERE hem_change <> 0;

ALTER TABLE project DROP COLUMN hem_change;

-- How an alteration turned out, said at the Keep station, to be offered at the person's next project.
CREATE TABLE fit_lesson (
    id INTEGER PRIMARY KEY,
    project_id INTEGER NOT NULL REFERENCES project (id) ON DELETE CASCADE,
    alteration TEXT NOT NULL,
    said TEXT NOT NULL,
    written_on TEXT NOT NULL
) STRICT;
