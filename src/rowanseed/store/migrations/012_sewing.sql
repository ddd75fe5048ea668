-- What a sewist does to her making order besides ticking it off.
CREATE TABLE step_state (
    project_id INTEGER NOT NULL REFERENCES project (id) ON DELETE CASCADE,
    step TEXT NOT NULL,
    state TEXT NOT NULL CHECK (state IN ('put-off', 'left-out')),
    why TEXT NOT NULL DEFAULT '',
    PRIMARY KEY (project_id, step)
) STRICT, WITHOUT ROWID;

CREATE TABLE own_step (
    id INTEGER PRIMARY KEY,
    project_id INTEGER NOT NULL REFERENCES project (id) ON DELETE CASCADE,
    title TEXT NOT NULL,
    how TEXT NOT NULL DEFAULT '',
    bench TEXT NOT NULL,
    minutes REAL NOT NULL CHECK (minutes > 0),
    comes_before TEXT NOT NULL DEFAULT ''
) STRICT;

CREATE TABLE moved_step (
    id INTEGER PRIMARY KEY,
    project_id INTEGER NOT NULL REFERENCES project (id) ON DELETE CASCADE,
    step TEXT NOT NULL,
    comes_before TEXT NOT NULL
) STRICT;

CREATE TABLE step_note (
    id INTEGER PRIMARY KEY,
    project_id INTEGER NOT NULL REFERENCES project (id) ON DELETE CASCADE,
    step TEXT NOT NULL,
    text TEXT NOT NULL,
    photo BLOB,
    written_on TEXT NOT NULL
) STRICT;

-- The clock: running from `started_at`, and what it said of a step in the end.
CREATE TABLE step_clock (
    project_id INTEGER PRIMARY KEY REFERENCES project (id) ON DELETE CASCADE,
    step TEXT NOT NULL,
    started_at TEXT NOT NULL CHECK (datetime(started_at) IS NOT NULL)
) STRICT;

CREATE TABLE step_time (
    id INTEGER PRIMARY KEY,
    project_id INTEGER NOT NULL REFERENCES project (id) ON DELETE CASCADE,
    step TEXT NOT NULL,
    technique TEXT NOT NULL,
    act TEXT NOT NULL,
    expected REAL NOT NULL CHECK (expected > 0),
    minutes REAL NOT NULL CHECK (minutes > 0),
    taken_on TEXT NOT NULL
) STRICT;

-- The order as it was last looked at, so that what has changed since can be said.
CREATE TABLE order_seen (
    project_id INTEGER PRIMARY KEY REFERENCES project (id) ON DELETE CASCADE,
    steps TEXT NOT NULL CHECK (json_valid(steps))
) STRICT;

-- Samples that were sewn, with how the machine was set. They outlive the project they were made for.
CREATE TABLE kept_sample (
    id INTEGER PRIMARY KEY,
    project_id INTEGER REFERENCES project (id) ON DELETE SET NULL,
    cloth_id INTEGER REFERENCES cloth (id) ON DELETE SET NULL,
    sample TEXT NOT NULL,
    layers TEXT NOT NULL DEFAULT '',
    needle TEXT NOT NULL DEFAULT '',
    thread TEXT NOT NULL DEFAULT '',
    stitch TEXT NOT NULL DEFAULT '',
    length TEXT NOT NULL DEFAULT '',
    width TEXT NOT NULL DEFAULT '',
    tension TEXT NOT NULL DEFAULT '',
    foot TEXT NOT NULL DEFAULT '',
    result TEXT NOT NULL DEFAULT '',
    photo BLOB,
    made_on TEXT NOT NULL
) STRICT;

CREATE INDEX kept_sample_by_cloth ON kept_sample (cloth_id, sample);
CREATE INDEX own_step_by_project ON own_step (project_id);
CREATE INDEX moved_step_by_project ON moved_step (project_id);
CREATE INDEX step_note_by_project ON step_note (project_id);
CREATE INDEX step_time_by_project ON step_time (project_id);
CREATE INDEX kept_sample_by_project ON kept_sample (project_id);

-- What is left out counts as settled: what the shelf says of the project is stale then.
CREATE TRIGGER step_put_aside AFTER INSERT ON step_state BEGIN
    UPDATE project_summary SET fresh = 0 WHERE project_id = new.project_id;
END;

CREATE TRIGGER step_taken_up AFTER DELETE ON step_state BEGIN
    UPDATE project_summary SET fresh = 0 WHERE project_id = old.project_id;
END;
