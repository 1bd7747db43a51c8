-- On which of the maker's devices something of a batch was entered: its name as it was then. What
-- was entered on the main screen has no row.
CREATE TABLE entered_by (
    id       BINARY(16)  NOT NULL PRIMARY KEY,
    batch_id BINARY(16)  NOT NULL,
    device   VARCHAR(60) NOT NULL,
    CONSTRAINT entered_in_batch FOREIGN KEY (batch_id) REFERENCES batches (id) ON DELETE CASCADE
);

-- Steps that somebody has in hand, so that nobody else begins them too.
CREATE TABLE hands (
    batch_id  BINARY(16)   NOT NULL,
    step      VARCHAR(100) NOT NULL,
    -- None of the main screen.
    device_id BINARY(16)   NULL,
    device    VARCHAR(60)  NOT NULL,
    at        DATETIME(3)  NOT NULL,
    PRIMARY KEY (batch_id, step),
    CONSTRAINT hand_in_batch FOREIGN KEY (batch_id) REFERENCES batches (id) ON DELETE CASCADE
);
