-- A revision of people and cloths too: what two windows write is never lost without a word.
ALTER TABLE person ADD COLUMN revision INTEGER NOT NULL DEFAULT 1;
ALTER TABLE cloth ADD COLUMN revision INTEGER NOT NULL DEFAULT 1;

-- Invented prices are shown only where the simulated shop was chosen.
ALTER TABLE household ADD COLUMN stand_in_shop INTEGER NOT NULL DEFAULT 0 CHECK (stand_in_shop IN (0, 1));

-- What was cut is a fact: a tick says of which outline, and in which size, so that it is never taken for another piece.
ALTER TABLE tick ADD COLUMN what TEXT NOT NULL DEFAULT '';
ALTER TABLE tick ADD COLUMN words TEXT NOT NULL DEFAULT '';

-- A waiting drawing is kept as it was read, so that it is read from its file only once.
ALTER TABLE drawing ADD COLUMN read BLOB;

-- What was changed in the last days, with the statements that take it back; the triggers that write them are made
-- from the tables when the household is opened.
CREATE TABLE change (
    id INTEGER PRIMARY KEY,
    made_at TEXT NOT NULL CHECK (datetime(made_at) IS NOT NULL),
    words TEXT NOT NULL
) STRICT;

CREATE TABLE undo (
    seq INTEGER PRIMARY KEY,
    change_id INTEGER NOT NULL,
    of_table TEXT NOT NULL,
    of_row TEXT NOT NULL,
    project_id INTEGER,
    deed TEXT NOT NULL CHECK (deed IN ('added', 'changed', 'removed')),
    name TEXT NOT NULL DEFAULT '',
    statement TEXT NOT NULL
) STRICT;

CREATE INDEX undo_by_change ON undo (change_id);
CREATE INDEX undo_by_row ON undo (of_table, of_row);

CREATE TABLE undo_now (change_id INTEGER) STRICT;

INSERT INTO undo_now (change_id) VALUES (NULL);

-- Forms that were taken in, by the key each page gives its form, and where the answer led.
CREATE TABLE sent (
    key TEXT PRIMARY KEY,
    led_to TEXT NOT NULL,
    sent_at TEXT NOT NULL DEFAULT (datetime('now'))
) STRICT, WITHOUT ROWID;
