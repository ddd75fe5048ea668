-- What the household calls its money, and how many threads its overlocker has.
ALTER TABLE household ADD COLUMN money TEXT NOT NULL DEFAULT '';
ALTER TABLE household ADD COLUMN overlock_threads INTEGER NOT NULL DEFAULT 3 CHECK (overlock_threads IN (3, 4));
