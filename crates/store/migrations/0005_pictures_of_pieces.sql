-- Photos of finished pieces belong to their batch, those of smears to their bowl.
ALTER TABLE photos
    MODIFY bowl_id BINARY(16) NULL,
    ADD COLUMN batch_id BINARY(16) NULL AFTER bowl_id,
    ADD KEY photos_of_batch (batch_id, taken_at),
    ADD CONSTRAINT photo_of_batch FOREIGN KEY (batch_id) REFERENCES batches (id) ON DELETE CASCADE,
    ADD CONSTRAINT photo_of_one CHECK ((bowl_id IS NULL) <> (batch_id IS NULL));
