-- What was counted of a batch before it was packed: how many are whole, how many broke.
CREATE TABLE counts (
    seq      BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    batch_id BINARY(16)  NOT NULL,
    id       BINARY(16)  NOT NULL,
    noted_at DATETIME(3) NOT NULL,
    document JSON        NOT NULL,
    UNIQUE KEY count_once (batch_id, id),
    CONSTRAINT count_of_batch FOREIGN KEY (batch_id) REFERENCES batches (id) ON DELETE CASCADE
);
