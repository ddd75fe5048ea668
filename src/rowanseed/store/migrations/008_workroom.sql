-- What the household sews with and its habits of sewing, as one document; before, an overlocker and its threads.
ALTER TABLE household ADD COLUMN workroom TEXT NOT NULL DEFAULT '' CHECK (workroom = '' OR json_valid(workroom));

UPDATE household
SET workroom = json_object(
    'format', 'rowanseed-workroom/1',
    'equipment', json_object('overlock_threads', CASE overlocker WHEN 0 THEN 0 ELSE overlock_threads END),
    'habits', json_object('hem_by_hand', json(CASE hem_by_hand WHEN 0 THEN 'false' ELSE 'true' END))
);

-- The triggers that write undo down are made anew from the tables; what they wrote of these columns cannot be taken back.
DROP TRIGGER IF EXISTS undo_added_household;
DROP TRIGGER IF EXISTS undo_changed_household;
DROP TRIGGER IF EXISTS undo_removed_household;
DELETE FROM change WHERE id IN (SELECT change_id FROM undo WHERE of_table = 'household');
DELETE FROM undo WHERE change_id NOT IN (SELECT id FROM change);

ALTER TABLE household DROP COLUMN overlocker;
ALTER TABLE household DROP COLUMN overlock_threads;
ALTER TABLE household DROP COLUMN hem_by_hand;
