-- A token is worth something at one address alone; a device that comes back at another one proves
-- by a key of its own, which no copy of its token has, that it is itself.
ALTER TABLE devices
    ADD COLUMN address VARCHAR(64) NOT NULL DEFAULT '',
    ADD COLUMN own_key VARBINARY(65) NULL;

-- The same, from the same address, once more within minutes is counted.
ALTER TABLE refusals
    ADD COLUMN times INT UNSIGNED NOT NULL DEFAULT 1;
