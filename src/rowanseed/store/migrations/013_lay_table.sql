-- A lay that is being changed by hand: every step of it, so that undo and redo have no end and outlive a reload.
CREATE TABLE lay_table (
    project_id INTEGER NOT NULL REFERENCES project (id) ON DELETE CASCADE,
    role TEXT NOT NULL,
    question TEXT NOT NULL,
    at INTEGER NOT NULL,
    began_with REAL NOT NULL,
    PRIMARY KEY (project_id, role)
) STRICT, WITHOUT ROWID;

CREATE TABLE lay_step (
    project_id INTEGER NOT NULL REFERENCES project (id) ON DELETE CASCADE,
    role TEXT NOT NULL,
    n INTEGER NOT NULL,
    words TEXT NOT NULL,
    plan TEXT NOT NULL CHECK (json_valid(plan)),
    pinned TEXT NOT NULL CHECK (json_valid(pinned)),
    PRIMARY KEY (project_id, role, n)
) STRICT, WITHOUT ROWID;
