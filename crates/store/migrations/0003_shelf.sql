-- What stands on the maker's shelf. What was put away stays readable: plans name it.
CREATE TABLE shelf (
    id          BINARY(16)   NOT NULL PRIMARY KEY,
    thing       JSON         NOT NULL,
    version     INT UNSIGNED NOT NULL DEFAULT 1,
    put_away    BOOLEAN      NOT NULL DEFAULT FALSE,
    -- Bowls opened before this teach nothing about it.
    learns_from DATETIME(3)  NULL,
    created_at  DATETIME(3)  NOT NULL
);

-- How chocolate comes and goes. What a bowl took has the bowl's id, and is taken
-- back with the pour.
CREATE TABLE stock_moves (
    seq          BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    chocolate_id BINARY(16)  NOT NULL,
    id           BINARY(16)  NOT NULL,
    bowl_id      BINARY(16)  NULL,
    kind         VARCHAR(16) NOT NULL,
    grams        DOUBLE      NOT NULL,
    at           DATETIME(3) NOT NULL,
    UNIQUE KEY move_once (chocolate_id, id),
    KEY moves_of_bowl (bowl_id),
    CONSTRAINT move_of_chocolate FOREIGN KEY (chocolate_id) REFERENCES shelf (id) ON DELETE CASCADE
);

-- What a bowl's record taught about its gear. It outlives the bowl: forgetting a
-- batch is no reason to forget how the microwave heats.
CREATE TABLE lessons (
    bowl_id   BINARY(16)  NOT NULL PRIMARY KEY,
    ware_id   BINARY(16)  NULL,
    heat_id   BINARY(16)  NULL,
    opened_at DATETIME(3) NOT NULL,
    taught    JSON        NOT NULL
);

-- There is one kitchen, and it is always there.
INSERT INTO shelf (id, thing, created_at)
VALUES (UNHEX(REPEAT('0', 32)), '{"kind":"kitchen"}', '2000-01-01');
