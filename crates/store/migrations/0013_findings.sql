-- What the maker marked.
ALTER TABLE batches
    ADD COLUMN starred BOOLEAN NOT NULL DEFAULT FALSE,
    -- How often anything about it changed, and at which of these its findings were worked out.
    ADD COLUMN changes INT UNSIGNED NOT NULL DEFAULT 1,
    ADD COLUMN found   INT UNSIGNED NOT NULL DEFAULT 0,
    ADD COLUMN stale   BOOLEAN AS (found <> changes) PERSISTENT,
    ADD KEY batches_stale (stale);

-- What the log is compared by: of each thing that was made what is known of how it was made, and
-- whether a fault was seen. Worked out from the record; it can be thrown away.
CREATE TABLE findings (
    batch_id  BINARY(16)   NOT NULL,
    component VARCHAR(40)  NOT NULL,
    made_at   DATETIME(3)  NOT NULL,
    -- NULL until somebody has looked.
    faulty    BOOLEAN      NULL,
    poured    DOUBLE       NULL,
    peak      DOUBLE       NULL,
    test      DOUBLE       NULL,
    seed      DOUBLE       NULL,
    stir_gap  DOUBLE       NULL,
    worked    DOUBLE       NULL,
    room      DOUBLE       NULL,
    humidity  DOUBLE       NULL,
    PRIMARY KEY (batch_id, component),
    CONSTRAINT finding_of_batch FOREIGN KEY (batch_id) REFERENCES batches (id) ON DELETE CASCADE
);

-- How well a bowl's forecasts fitted.
CREATE TABLE fits (
    bowl_id  BINARY(16)   NOT NULL PRIMARY KEY,
    ware_id  BINARY(16)   NULL,
    compared INT UNSIGNED NOT NULL,
    held     INT UNSIGNED NOT NULL,
    off_c    DOUBLE       NOT NULL,
    CONSTRAINT fit_of_bowl FOREIGN KEY (bowl_id) REFERENCES bowls (id) ON DELETE CASCADE
);

-- What a batch is found by: its families, kinds of work, methods, colours, gear, result and faults.
CREATE TABLE tags (
    batch_id BINARY(16)  NOT NULL,
    tag      VARCHAR(60) NOT NULL,
    PRIMARY KEY (batch_id, tag),
    KEY tags_by_tag (tag, batch_id),
    CONSTRAINT tag_of_batch FOREIGN KEY (batch_id) REFERENCES batches (id) ON DELETE CASCADE
);
