-- What a smear looked like: re-encoded here, with nothing in it but the picture.
CREATE TABLE photos (
    id       BINARY(16)  NOT NULL PRIMARY KEY,
    bowl_id  BINARY(16)  NOT NULL,
    taken_at DATETIME(3) NOT NULL,
    width    INT UNSIGNED NOT NULL,
    height   INT UNSIGNED NOT NULL,
    jpeg     MEDIUMBLOB  NOT NULL,
    KEY photos_of_bowl (bowl_id, taken_at),
    CONSTRAINT photo_of_bowl FOREIGN KEY (bowl_id) REFERENCES bowls (id) ON DELETE CASCADE
);
