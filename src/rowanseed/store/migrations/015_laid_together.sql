-- Who was laid on the cloth together with this lay: projects and their cloths' roles, so that the others are told
-- when one of them lies otherwise.
ALTER TABLE kept_lay ADD COLUMN together TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(together));
