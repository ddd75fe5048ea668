-- What is done to save cloth, by role: a JSON object of lists of tactics.
ALTER TABLE project ADD COLUMN tactics TEXT NOT NULL DEFAULT '{}';
