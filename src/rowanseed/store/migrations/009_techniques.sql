-- How parts of the garment are sewn where it is not the usual way: technique ids by the part of the making graph.
ALTER TABLE project ADD COLUMN techniques TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(techniques));
