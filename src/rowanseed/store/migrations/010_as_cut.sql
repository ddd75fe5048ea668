-- Parts whose way of sewing was chosen after the pieces were cut, so that their allowances stay as they are.
ALTER TABLE project ADD COLUMN as_cut TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(as_cut));
