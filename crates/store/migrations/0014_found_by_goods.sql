-- Batches are found by their goods and pigments from here on: all is worked out anew.
UPDATE batches SET found = 0;

-- Which batches count, and what was found of them when, in themselves small: whether anything changed
-- is asked for without their documents.
ALTER TABLE batches ADD KEY batches_counted (real_time, deleted_at, found);
