-- The maker's devices in the home network, each with what it may do. Of a token its digest alone is
-- kept. One that was sent away stays, so that what it did keeps its name.
CREATE TABLE devices (
    id        BINARY(16)  NOT NULL PRIMARY KEY,
    name      VARCHAR(60) NOT NULL,
    role      VARCHAR(12) NOT NULL,
    -- The bowl that a thermometer is lent to.
    bowl_id   BINARY(16)  NULL,
    token     BINARY(32)  NOT NULL,
    paired_at DATETIME(3) NOT NULL,
    seen_at   DATETIME(3) NULL,
    left_at   DATETIME(3) NULL,
    UNIQUE KEY device_by_token (token),
    CONSTRAINT device_at_bowl FOREIGN KEY (bowl_id) REFERENCES bowls (id) ON DELETE SET NULL
);

-- The code that lets the next device in: one at a time, the latest.
CREATE TABLE pairings (
    id      BINARY(16)       NOT NULL PRIMARY KEY,
    role    VARCHAR(12)      NOT NULL,
    bowl_id BINARY(16)       NULL,
    salt    BINARY(16)       NOT NULL,
    digest  BINARY(32)       NOT NULL,
    made_at DATETIME(3)      NOT NULL,
    tries   TINYINT UNSIGNED NOT NULL,
    used    BOOLEAN          NOT NULL,
    CONSTRAINT pairing_at_bowl FOREIGN KEY (bowl_id) REFERENCES bowls (id) ON DELETE CASCADE
);

-- Who was not let in, the latest of them.
CREATE TABLE refusals (
    seq        BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    at         DATETIME(3)     NOT NULL,
    -- From which address: the longest of an IPv6 with its zone.
    came_from  VARCHAR(64)     NOT NULL,
    why        VARCHAR(20)     NOT NULL
);
