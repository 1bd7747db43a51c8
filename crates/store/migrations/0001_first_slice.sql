-- Times are UTC, to the millisecond. Ids are UUIDs made by whoever sends first.

CREATE TABLE batches (
    id          BINARY(16)   NOT NULL PRIMARY KEY,
    name        VARCHAR(120) NOT NULL,
    note        VARCHAR(2000) NOT NULL DEFAULT '',
    version     INT UNSIGNED NOT NULL DEFAULT 1,
    created_at  DATETIME(3)  NOT NULL,
    updated_at  DATETIME(3)  NOT NULL,
    KEY batches_by_time (updated_at)
);

-- One thing made in a batch. What follows from its inputs is computed, never kept.
CREATE TABLE components (
    id          BINARY(16)   NOT NULL PRIMARY KEY,
    batch_id    BINARY(16)   NOT NULL,
    kind        VARCHAR(40)  NOT NULL,
    inputs      JSON         NOT NULL,
    version     INT UNSIGNED NOT NULL DEFAULT 1,
    CONSTRAINT component_of_batch FOREIGN KEY (batch_id) REFERENCES batches (id) ON DELETE CASCADE
);

-- One chocolate being tempered, with the plan it was opened by, frozen.
CREATE TABLE bowls (
    id            BINARY(16)  NOT NULL PRIMARY KEY,
    component_id  BINARY(16)  NOT NULL,
    inputs        JSON        NOT NULL,
    plan          JSON        NOT NULL,
    opened_at     DATETIME(3) NOT NULL,
    -- The bowl's own time: it ran at clock_rate from clock_kitchen on, since clock_real.
    clock_real    DATETIME(3) NOT NULL,
    clock_kitchen DATETIME(3) NOT NULL,
    clock_rate    DOUBLE      NOT NULL DEFAULT 1,
    simulated     BOOLEAN     NOT NULL DEFAULT FALSE,
    CONSTRAINT bowl_of_component FOREIGN KEY (component_id) REFERENCES components (id) ON DELETE CASCADE
);

-- Append-only. The sender's id makes sending twice the same as sending once.
CREATE TABLE readings (
    seq      BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    bowl_id  BINARY(16)  NOT NULL,
    id       BINARY(16)  NOT NULL,
    at       DATETIME(3) NOT NULL,
    temp_c   DOUBLE      NOT NULL,
    source   VARCHAR(8)  NOT NULL,
    UNIQUE KEY reading_once (bowl_id, id),
    CONSTRAINT reading_of_bowl FOREIGN KEY (bowl_id) REFERENCES bowls (id) ON DELETE CASCADE
);

-- Append-only; an undoing is an action too.
CREATE TABLE actions (
    seq      BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    bowl_id  BINARY(16)   NOT NULL,
    id       BINARY(16)   NOT NULL,
    at       DATETIME(3)  NOT NULL,
    kind     VARCHAR(16)  NOT NULL,
    seconds  DOUBLE       NULL,
    grams    DOUBLE       NULL,
    seen     VARCHAR(16)  NULL,
    reason   VARCHAR(500) NULL,
    undoes   BINARY(16)   NULL,
    UNIQUE KEY action_once (bowl_id, id),
    CONSTRAINT action_of_bowl FOREIGN KEY (bowl_id) REFERENCES bowls (id) ON DELETE CASCADE
);

-- What came out; more than one look at a batch is usual.
CREATE TABLE outcomes (
    seq       BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    batch_id  BINARY(16)    NOT NULL,
    id        BINARY(16)    NOT NULL,
    noted_at  DATETIME(3)   NOT NULL,
    gloss     VARCHAR(16)   NOT NULL,
    snap      VARCHAR(16)   NOT NULL,
    released  VARCHAR(16)   NOT NULL,
    streaks   VARCHAR(16)   NOT NULL,
    note      VARCHAR(2000) NOT NULL DEFAULT '',
    UNIQUE KEY outcome_once (batch_id, id),
    CONSTRAINT outcome_of_batch FOREIGN KEY (batch_id) REFERENCES batches (id) ON DELETE CASCADE
);
