-- Photos of colours that were mixed by eye belong to the thing on the shelf.
ALTER TABLE photos
    DROP CONSTRAINT photo_of_one,
    ADD COLUMN thing_id BINARY(16) NULL AFTER batch_id,
    ADD KEY photos_of_thing (thing_id, taken_at),
    ADD CONSTRAINT photo_of_thing FOREIGN KEY (thing_id) REFERENCES shelf (id) ON DELETE CASCADE,
    ADD CONSTRAINT photo_of_one
        CHECK ((bowl_id IS NOT NULL) + (batch_id IS NOT NULL) + (thing_id IS NOT NULL) = 1);
