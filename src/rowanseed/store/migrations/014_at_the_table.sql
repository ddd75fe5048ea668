-- At the cutting table: what is folded, laid and marked is ticked too; lays are kept by name beside the one in use;
-- pieces may lie beside the cloth while a lay is changed by hand.
CREATE TABLE tick_with_table (
    project_id INTEGER NOT NULL REFERENCES project (id) ON DELETE CASCADE,
    list TEXT NOT NULL CHECK (list IN ('cut', 'sew', 'table')),
    key TEXT NOT NULL,
    ticked_at TEXT NOT NULL,
    what TEXT NOT NULL DEFAULT '',
    words TEXT NOT NULL DEFAULT '',
    PRIMARY KEY (project_id, list, key)
) STRICT, WITHOUT ROWID;

INSERT INTO tick_with_table (project_id, list, key, ticked_at, what, words)
SELECT project_id, list, key, ticked_at, what, words FROM tick;

DROP TABLE tick;
ALTER TABLE tick_with_table RENAME TO tick;

CREATE TRIGGER ticked AFTER INSERT ON tick BEGIN
    UPDATE project_summary SET fresh = 0 WHERE project_id = new.project_id;
END;

CREATE TRIGGER unticked AFTER DELETE ON tick BEGIN
    UPDATE project_summary SET fresh = 0 WHERE project_id = old.project_id;
END;

CREATE TABLE named_lay (
    id INTEGER PRIMARY KEY,
    project_id INTEGER NOT NULL REFERENCES project (id) ON DELETE CASCADE,
    role TEXT NOT NULL,
    name TEXT NOT NULL CHECK (name <> ''),
    question TEXT NOT NULL,
    plan TEXT NOT NULL CHECK (json_valid(plan)),
    UNIQUE (project_id, role, name)
) STRICT;

-- A photo of the cloth straightened on its repeat: one block of it, x along the cloth.
CREATE TABLE cloth_print (
    cloth_id INTEGER PRIMARY KEY REFERENCES cloth (id) ON DELETE CASCADE,
    jpeg BLOB NOT NULL
) STRICT;

ALTER TABLE lay_step ADD COLUMN parked TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(parked));
