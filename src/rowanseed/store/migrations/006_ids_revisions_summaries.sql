-- Tactics were kept by their wording; from here on by their ids.
CREATE TABLE wording (words TEXT PRIMARY KEY, id TEXT NOT NULL) STRICT;

INSERT INTO wording (words, id) VALUES
    ('lay it open, one layer', 'open-out'),
    ('fold only as deep as the widest fold piece', 'part-fold'),
    ('fold both edges to the middle', 'two-folds'),
    ('let neighbours share one cutting line', 'share-cuts'),
    ('cut bands across the grain', 'bands-across'),
    ('a narrower hem', 'narrow-hem'),
    ('facings from another cloth', 'other-facing'),
    ('piece facings and bands that lie on the fold', 'pieced-facing'),
    ('face the hem instead of turning it up', 'faced-hem'),
    ('cut the back against the selvedges, with a seam, the front on the fold', 'fold-to-selvedge'),
    ('collar, cuffs and bands from another cloth', 'other-bands'),
    ('a seam where a piece lay on the fold', 'centre-seam'),
    ('the back from another cloth', 'other-back'),
    ('turn pieces end for end', 'turn-pieces'),
    ('shorten it by 3 cm', 'shorten'),
    ('sleeves from another cloth', 'other-sleeves'),
    ('one garment fewer', 'smaller-batch');

UPDATE project
SET tactics = (
    SELECT json_group_object(
        role.key,
        (
            SELECT json_group_array(coalesce(wording.id, taken.value))
            FROM json_each(role.value) AS taken LEFT JOIN wording ON wording.words = taken.value
        )
    )
    FROM json_each(project.tactics) AS role
)
WHERE tactics <> '{}';

DROP TABLE wording;

-- Documents are valid JSON, days are days; a revision counts every decision, so that none is lost between two windows.
CREATE TABLE project_new (
    id INTEGER PRIMARY KEY,
    name TEXT NOT NULL,
    person_id INTEGER NOT NULL REFERENCES person (id) ON DELETE RESTRICT,
    pattern_id INTEGER NOT NULL REFERENCES pattern (id) ON DELETE RESTRICT,
    view TEXT NOT NULL,
    size TEXT,
    measuring_id INTEGER REFERENCES measuring (id) ON DELETE SET NULL,
    started_on TEXT NOT NULL CHECK (date(started_on) IS NOT NULL),
    fit TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(fit)),
    tactics TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(tactics)),
    cloth_choices TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(cloth_choices)),
    revision INTEGER NOT NULL DEFAULT 1
) STRICT;

INSERT INTO project_new
    (id, name, person_id, pattern_id, view, size, measuring_id, started_on, fit, tactics, cloth_choices)
SELECT id, name, person_id, pattern_id, view, size, measuring_id, started_on, fit, tactics, reckoning FROM project;

DROP TABLE project;

ALTER TABLE project_new RENAME TO project;

CREATE TABLE cloth_new (
    id INTEGER PRIMARY KEY,
    name TEXT NOT NULL,
    document TEXT NOT NULL CHECK (json_valid(document)),
    cut_from INTEGER REFERENCES cloth (id) ON DELETE SET NULL,
    cut_by INTEGER REFERENCES project (id) ON DELETE SET NULL
) STRICT;

INSERT INTO cloth_new SELECT id, name, document, cut_from, cut_by FROM cloth;

DROP TABLE cloth;

ALTER TABLE cloth_new RENAME TO cloth;

CREATE TABLE pattern_new (
    id INTEGER PRIMARY KEY,
    name TEXT NOT NULL,
    document TEXT NOT NULL CHECK (json_valid(document)),
    added_on TEXT NOT NULL CHECK (date(added_on) IS NOT NULL)
) STRICT;

INSERT INTO pattern_new SELECT id, name, document, added_on FROM pattern;

DROP TABLE pattern;

ALTER TABLE pattern_new RENAME TO pattern;

-- Answers of the lay engine. Refusals were kept as sentences, and failures as refusals: those are asked again.
CREATE TABLE lay_answer_new (
    question TEXT NOT NULL,
    lay TEXT NOT NULL,
    plan TEXT CHECK (plan IS NULL OR json_valid(plan)),
    refusal TEXT CHECK (refusal IS NULL OR json_valid(refusal)),
    answered_at TEXT NOT NULL DEFAULT (datetime('now')),
    PRIMARY KEY (question, lay),
    CHECK ((plan IS NULL) <> (refusal IS NULL))
) STRICT, WITHOUT ROWID;

INSERT INTO lay_answer_new (question, lay, plan) SELECT question, lay, plan FROM lay_answer WHERE plan IS NOT NULL;

DROP TABLE lay_answer;

ALTER TABLE lay_answer_new RENAME TO lay_answer;

CREATE INDEX lay_answer_by_age ON lay_answer (answered_at);

-- Searches that have been asked for and not answered yet, so that whoever finds an answer can keep it.
CREATE TABLE open_search (
    question TEXT PRIMARY KEY,
    problem TEXT NOT NULL CHECK (json_valid(problem)),
    seconds REAL NOT NULL CHECK (seconds > 0),
    tries INTEGER NOT NULL DEFAULT 1,
    failed TEXT NOT NULL DEFAULT '',
    asked_at TEXT NOT NULL DEFAULT (datetime('now'))
) STRICT, WITHOUT ROWID;

-- What the shelf says of a project, worked out when one of its pages is; `fresh` says whether anything changed since.
CREATE TABLE project_summary (
    project_id INTEGER PRIMARY KEY REFERENCES project (id) ON DELETE CASCADE,
    summary TEXT NOT NULL CHECK (json_valid(summary)),
    written_by TEXT NOT NULL,
    fresh INTEGER NOT NULL CHECK (fresh IN (0, 1))
) STRICT;

-- The questions a project's summary rests on: an answer to one of them makes it stale.
CREATE TABLE project_question (
    question TEXT NOT NULL,
    project_id INTEGER NOT NULL REFERENCES project (id) ON DELETE CASCADE,
    PRIMARY KEY (question, project_id)
) STRICT, WITHOUT ROWID;

CREATE INDEX project_question_by_project ON project_question (project_id);

CREATE INDEX measuring_by_person ON measuring (person_id);
CREATE INDEX project_by_person ON project (person_id);
CREATE INDEX project_by_pattern ON project (pattern_id);
CREATE INDEX project_by_measuring ON project (measuring_id);
CREATE INDEX project_cloth_by_cloth ON project_cloth (cloth_id);
CREATE INDEX note_by_project ON note (project_id);
CREATE INDEX fit_lesson_by_project ON fit_lesson (project_id);
CREATE INDEX cloth_by_cut_from ON cloth (cut_from);
CREATE INDEX cloth_by_cut_by ON cloth (cut_by);

CREATE TRIGGER project_changed AFTER UPDATE ON project BEGIN
    UPDATE project_summary SET fresh = 0 WHERE project_id = new.id;
END;

CREATE TRIGGER project_cloth_chosen AFTER INSERT ON project_cloth BEGIN
    UPDATE project_summary SET fresh = 0 WHERE project_id = new.project_id;
END;

CREATE TRIGGER project_cloth_let_go AFTER DELETE ON project_cloth BEGIN
    UPDATE project_summary SET fresh = 0 WHERE project_id = old.project_id;
END;

CREATE TRIGGER lay_kept AFTER INSERT ON kept_lay BEGIN
    UPDATE project_summary SET fresh = 0 WHERE project_id = new.project_id;
END;

CREATE TRIGGER lay_let_go AFTER DELETE ON kept_lay BEGIN
    UPDATE project_summary SET fresh = 0 WHERE project_id = old.project_id;
END;

CREATE TRIGGER ticked AFTER INSERT ON tick BEGIN
    UPDATE project_summary SET fresh = 0 WHERE project_id = new.project_id;
END;

CREATE TRIGGER unticked AFTER DELETE ON tick BEGIN
    UPDATE project_summary SET fresh = 0 WHERE project_id = old.project_id;
END;

CREATE TRIGGER noted AFTER INSERT ON note BEGIN
    UPDATE project_summary SET fresh = 0 WHERE project_id = new.project_id;
END;

CREATE TRIGGER note_removed AFTER DELETE ON note BEGIN
    UPDATE project_summary SET fresh = 0 WHERE project_id = old.project_id;
END;

CREATE TRIGGER measured AFTER INSERT ON measurement BEGIN
    UPDATE project_summary SET fresh = 0 WHERE project_id IN (
        SELECT project.id FROM project JOIN measuring ON measuring.person_id = project.person_id
        WHERE measuring.id = new.measuring_id
    );
END;

CREATE TRIGGER person_changed AFTER UPDATE ON person BEGIN
    UPDATE project_summary SET fresh = 0 WHERE project_id IN (SELECT id FROM project WHERE person_id = new.id);
END;

CREATE TRIGGER cloth_changed AFTER UPDATE ON cloth BEGIN
    UPDATE project_summary SET fresh = 0 WHERE project_id IN (
        SELECT project_id FROM project_cloth WHERE cloth_id = new.id
    );
END;

CREATE TRIGGER household_changed AFTER UPDATE ON household BEGIN
    UPDATE project_summary SET fresh = 0;
END;

CREATE TRIGGER lay_answered AFTER INSERT ON lay_answer BEGIN
    UPDATE project_summary SET fresh = 0 WHERE project_id IN (
        SELECT project_id FROM project_question WHERE question = new.question
    );
END;
