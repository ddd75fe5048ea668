-- A cloth becomes a document (docs/formats/cloth.md), beside the name it is sorted by.
-- What a garment was cut from leaves the shelf (`cut_by`) and its remainders come on it (`cut_from`).
CREATE TABLE cloth_new (
    id INTEGER PRIMARY KEY,
    name TEXT NOT NULL,
    document TEXT NOT NULL,
    cut_from INTEGER REFERENCES cloth_new (id) ON DELETE SET NULL,
    cut_by INTEGER REFERENCES project (id) ON DELETE SET NULL
) STRICT;

INSERT INTO cloth_new (id, name, document)
SELECT id, name, json_object(
    'name', name, 'width', width, 'length', length, 'selvedge', selvedge, 'direction', direction, 'fibre', fibre,
    'shrink_along', shrink_along, 'shrink_across', shrink_across,
    'washed', json(CASE washed WHEN 1 THEN 'true' ELSE 'false' END), 'colour', colour, 'surface', surface
)
FROM cloth;

CREATE TABLE project_cloth_new (
    project_id INTEGER NOT NULL REFERENCES project (id) ON DELETE CASCADE,
    role TEXT NOT NULL,
    cloth_id INTEGER NOT NULL REFERENCES cloth_new (id) ON DELETE RESTRICT,
    PRIMARY KEY (project_id, role)
) STRICT, WITHOUT ROWID;

INSERT INTO project_cloth_new SELECT project_id, role, cloth_id FROM project_cloth;

DROP TABLE project_cloth;

DROP TABLE cloth;

ALTER TABLE cloth_new RENAME TO cloth;

ALTER TABLE project_cloth_new RENAME TO project_cloth;

CREATE TABLE cloth_photo (
    cloth_id INTEGER PRIMARY KEY REFERENCES cloth (id) ON DELETE CASCADE,
    jpeg BLOB NOT NULL
) STRICT;

-- What is reckoned with at the Cloth station, as a document.
ALTER TABLE project ADD COLUMN reckoning TEXT NOT NULL DEFAULT '{}';
