-- When something was looked at, which need not be when that was noted.
ALTER TABLE results ADD COLUMN looked_at DATETIME(3) NULL AFTER noted_at;
UPDATE results SET looked_at = noted_at;
ALTER TABLE results MODIFY looked_at DATETIME(3) NOT NULL;

-- The last of the looks that are asked for which the maker passed over.
ALTER TABLE batches ADD COLUMN passed_look VARCHAR(8) NULL;
