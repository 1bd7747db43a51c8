-- A batch is stated as one document: the kitchen, the chocolates to be tempered and
-- what is made from them. Until now it was one slab with its one chocolate.
ALTER TABLE batches
    ADD COLUMN inputs JSON NULL,
    ADD COLUMN plan_version INT UNSIGNED NOT NULL DEFAULT 1;

UPDATE batches b JOIN components c ON c.batch_id = b.id
SET b.plan_version = c.version,
    b.inputs = JSON_OBJECT(
        'room_c', JSON_EXTRACT(c.inputs, '$.room_c'),
        'rh_pct', JSON_EXTRACT(c.inputs, '$.rh_pct'),
        'fridge_c', JSON_EXTRACT(c.inputs, '$.fridge_c'),
        'bowls', JSON_ARRAY(JSON_INSERT(
            JSON_REMOVE(c.inputs, '$.room_c', '$.rh_pct', '$.fridge_c', '$.tray', '$.thickness_mm',
                        '$.mixed_in', '$.topping'),
            '$.key', 'chocolate')),
        'components', JSON_ARRAY(JSON_OBJECT(
            'key', 'slab',
            'name', 'Slab of bark',
            'work', JSON_OBJECT(
                'kind', 'slab',
                'chocolate', 'chocolate',
                'cover', JSON_OBJECT('by', 'thickness',
                                     'tray', JSON_EXTRACT(c.inputs, '$.tray'),
                                     'thickness_mm', JSON_EXTRACT(c.inputs, '$.thickness_mm')),
                'mixed_in', JSON_EXTRACT(c.inputs, '$.mixed_in'),
                'topping', JSON_EXTRACT(c.inputs, '$.topping')))));

ALTER TABLE batches MODIFY inputs JSON NOT NULL;

-- A bowl belongs to a batch and is one of its chocolates. It keeps its own numbers, and
-- its plan what it was poured into.
ALTER TABLE bowls
    ADD COLUMN batch_id BINARY(16) NULL AFTER id,
    ADD COLUMN chocolate VARCHAR(40) NOT NULL DEFAULT 'chocolate' AFTER batch_id;

UPDATE bowls w JOIN components c ON c.id = w.component_id
SET w.batch_id = c.batch_id,
    w.inputs = JSON_INSERT(
        JSON_REMOVE(w.inputs, '$.rh_pct', '$.fridge_c', '$.tray', '$.mixed_in', '$.topping'),
        '$.key', 'chocolate',
        '$.total_g', JSON_EXTRACT(w.plan, '$.slab.to_weigh_g')),
    w.plan = JSON_REMOVE(
        JSON_INSERT(
            w.plan,
            '$.to_weigh_g', JSON_EXTRACT(w.plan, '$.slab.to_weigh_g'),
            '$.thickness_mm', JSON_EXTRACT(w.plan, '$.slab.thickness_mm'),
            '$.made', JSON_ARRAY('Slab of bark')),
        '$.slab', '$.mixed_in', '$.topping', '$.setting', '$.fridge');

ALTER TABLE bowls
    DROP FOREIGN KEY bowl_of_component,
    DROP COLUMN component_id,
    MODIFY batch_id BINARY(16) NOT NULL,
    ADD CONSTRAINT bowl_of_batch FOREIGN KEY (batch_id) REFERENCES batches (id) ON DELETE CASCADE;

DROP TABLE components;

-- What is built after the pour: the plan it was begun by, and its own time.
CREATE TABLE builds (
    batch_id      BINARY(16)  NOT NULL PRIMARY KEY,
    inputs        JSON        NOT NULL,
    begun_at      DATETIME(3) NOT NULL,
    clock_real    DATETIME(3) NOT NULL,
    clock_kitchen DATETIME(3) NOT NULL,
    clock_rate    DOUBLE      NOT NULL DEFAULT 1,
    CONSTRAINT build_of_batch FOREIGN KEY (batch_id) REFERENCES batches (id) ON DELETE CASCADE
);

-- Append-only; an undoing is an event too.
CREATE TABLE build_events (
    seq       BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    batch_id  BINARY(16)   NOT NULL,
    id        BINARY(16)   NOT NULL,
    at        DATETIME(3)  NOT NULL,
    component VARCHAR(40)  NULL,
    task      VARCHAR(40)  NULL,
    just_now  BOOLEAN      NOT NULL DEFAULT FALSE,
    undoes    BINARY(16)   NULL,
    UNIQUE KEY build_event_once (batch_id, id),
    CONSTRAINT event_of_build FOREIGN KEY (batch_id) REFERENCES builds (batch_id) ON DELETE CASCADE
);
