-- A second thermometer measures a bowl at its edge. Which ones were heard lately is known by where
-- they stand; what was kept of the one before is of the last minutes alone.
CREATE TABLE bowl_probes (
    bowl_id  BINARY(16)  NOT NULL,
    at_edge  BOOLEAN     NOT NULL,
    name     VARCHAR(60) NOT NULL,
    heard_at DATETIME(3) NOT NULL,
    PRIMARY KEY (bowl_id, at_edge),
    CONSTRAINT probe_of_bowl FOREIGN KEY (bowl_id) REFERENCES bowls (id) ON DELETE CASCADE
);

ALTER TABLE bowls
    DROP COLUMN probe,
    DROP COLUMN probe_at;

ALTER TABLE devices
    ADD COLUMN at_edge BOOLEAN NOT NULL DEFAULT FALSE,
    -- A screen of this machine that signed in: out again with the passphrase that let it in.
    ADD COLUMN by_passphrase BOOLEAN NOT NULL DEFAULT FALSE;

UPDATE devices SET by_passphrase = TRUE WHERE name = 'This machine''s own screen';

-- A log that a thermometer's own program appends to, and that is watched for a bowl.
CREATE TABLE watched_logs (
    bowl_id     BINARY(16)   NOT NULL,
    at_edge     BOOLEAN      NOT NULL,
    name        VARCHAR(200) NOT NULL,
    -- How it is read, where it does not say itself.
    unit        VARCHAR(1)   NULL,
    time_column VARCHAR(100) NULL,
    temp_column VARCHAR(100) NULL,
    -- What was there before it was watched is not of this bowl: so many lines.
    after_line  INT UNSIGNED NOT NULL,
    -- What its clock is slow by, once that is known.
    slow_by_ms  BIGINT       NULL,
    PRIMARY KEY (bowl_id, at_edge),
    CONSTRAINT log_of_bowl FOREIGN KEY (bowl_id) REFERENCES bowls (id) ON DELETE CASCADE
);
