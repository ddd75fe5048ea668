CREATE TABLE household (
    id INTEGER PRIMARY KEY CHECK (id = 1),
    units TEXT NOT NULL CHECK (units IN ('metric', 'imperial')),
    overlocker INTEGER NOT NULL CHECK (overlocker IN (0, 1)),
    hem_by_hand INTEGER NOT NULL CHECK (hem_by_hand IN (0, 1))
) STRICT;

INSERT INTO household (id, units, overlocker, hem_by_hand) VALUES (1, 'metric', 0, 0);

CREATE TABLE person (
    id INTEGER PRIMARY KEY,
    name TEXT NOT NULL,
    age TEXT NOT NULL CHECK (age IN ('adult', 'child'))
) STRICT;

-- A dated set of measurements; the newest set of a person is the one in use.
CREATE TABLE measuring (
    id INTEGER PRIMARY KEY,
    person_id INTEGER NOT NULL REFERENCES person (id) ON DELETE CASCADE,
    taken_on TEXT NOT NULL
) STRICT;

CREATE TABLE measurement (
    measuring_id INTEGER NOT NULL REFERENCES measuring (id) ON DELETE CASCADE,
    measure TEXT NOT NULL,
    mm REAL NOT NULL CHECK (mm > 0),
    PRIMARY KEY (measuring_id, measure)
) STRICT, WITHOUT ROWID;

CREATE TABLE pattern (
    id INTEGER PRIMARY KEY,
    name TEXT NOT NULL,
    document TEXT NOT NULL,
    added_on TEXT NOT NULL
) STRICT;

-- A drawing that has come in and waits for what the sewist says of its outlines.
CREATE TABLE drawing (
    id INTEGER PRIMARY KEY,
    filename TEXT NOT NULL,
    svg BLOB NOT NULL,
    added_on TEXT NOT NULL
) STRICT;

CREATE TABLE cloth (
    id INTEGER PRIMARY KEY,
    name TEXT NOT NULL,
    width REAL NOT NULL CHECK (width > 0),
    length REAL CHECK (length > 0),
    selvedge REAL NOT NULL CHECK (selvedge >= 0),
    direction TEXT NOT NULL CHECK (direction IN ('one-way', 'two-way')),
    fibre TEXT NOT NULL,
    shrink_along REAL NOT NULL CHECK (shrink_along >= 0 AND shrink_along < 1),
    shrink_across REAL NOT NULL CHECK (shrink_across >= 0 AND shrink_across < 1),
    washed INTEGER NOT NULL CHECK (washed IN (0, 1)),
    colour TEXT NOT NULL,
    surface TEXT NOT NULL
) STRICT;

CREATE TABLE project (
    id INTEGER PRIMARY KEY,
    name TEXT NOT NULL,
    person_id INTEGER NOT NULL REFERENCES person (id) ON DELETE RESTRICT,
    pattern_id INTEGER NOT NULL REFERENCES pattern (id) ON DELETE RESTRICT,
    view TEXT NOT NULL,
    size TEXT,
    hem_change REAL NOT NULL DEFAULT 0,
    measuring_id INTEGER REFERENCES measuring (id) ON DELETE SET NULL,
    started_on TEXT NOT NULL
) STRICT;

CREATE TABLE project_cloth (
    project_id INTEGER NOT NULL REFERENCES project (id) ON DELETE CASCADE,
    role TEXT NOT NULL,
    cloth_id INTEGER NOT NULL REFERENCES cloth (id) ON DELETE RESTRICT,
    PRIMARY KEY (project_id, role)
) STRICT, WITHOUT ROWID;

-- Answers of the lay engine, by the question: a plan, or why there is none.
CREATE TABLE lay_answer (
    question TEXT NOT NULL,
    lay TEXT NOT NULL,
    plan TEXT,
    refusal TEXT,
    PRIMARY KEY (question, lay),
    CHECK ((plan IS NULL) <> (refusal IS NULL))
) STRICT, WITHOUT ROWID;

-- The lay the sewist keeps for a cloth of her project, plan and all; `question` tells whether it is still current.
CREATE TABLE kept_lay (
    project_id INTEGER NOT NULL REFERENCES project (id) ON DELETE CASCADE,
    role TEXT NOT NULL,
    question TEXT NOT NULL,
    lay TEXT NOT NULL,
    plan TEXT NOT NULL,
    PRIMARY KEY (project_id, role)
) STRICT, WITHOUT ROWID;

CREATE TABLE tick (
    project_id INTEGER NOT NULL REFERENCES project (id) ON DELETE CASCADE,
    list TEXT NOT NULL CHECK (list IN ('cut', 'sew')),
    key TEXT NOT NULL,
    ticked_at TEXT NOT NULL,
    PRIMARY KEY (project_id, list, key)
) STRICT, WITHOUT ROWID;

CREATE TABLE note (
    id INTEGER PRIMARY KEY,
    project_id INTEGER NOT NULL REFERENCES project (id) ON DELETE CASCADE,
    text TEXT NOT NULL,
    written_on TEXT NOT NULL
) STRICT;

CREATE TABLE cloth_used (
    project_id INTEGER NOT NULL REFERENCES project (id) ON DELETE CASCADE,
    role TEXT NOT NULL,
    mm REAL NOT NULL CHECK (mm > 0),
    used_on TEXT NOT NULL,
    PRIMARY KEY (project_id, role)
) STRICT, WITHOUT ROWID;
