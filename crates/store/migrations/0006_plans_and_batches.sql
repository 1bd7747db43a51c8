-- A plan is what one intends to make; a batch is one making of it, with its own record.
-- Until now both were one row, so that a later edit rewrote what had been made.

CREATE TABLE plans (
    id          BINARY(16)    NOT NULL PRIMARY KEY,
    name        VARCHAR(120)  NOT NULL,
    note        VARCHAR(2000) NOT NULL DEFAULT '',
    inputs      JSON          NOT NULL,
    version     INT UNSIGNED  NOT NULL DEFAULT 1,
    -- What a search looks through: name, what is made, from what.
    words       VARCHAR(2000) NOT NULL DEFAULT '',
    -- What it was begun with: sent again it is the same, with another content it is refused.
    digest      BINARY(16)    NULL,
    created_at  DATETIME(3)   NOT NULL,
    changed_at  DATETIME(3)   NOT NULL,
    archived_at DATETIME(3)   NULL,
    deleted_at  DATETIME(3)   NULL,
    KEY plans_by_change (changed_at, id)
);

-- What a plan stated before: to undo an edit, and to bring two edits together.
CREATE TABLE plan_versions (
    plan_id  BINARY(16)    NOT NULL,
    version  INT UNSIGNED  NOT NULL,
    name     VARCHAR(120)  NOT NULL,
    note     VARCHAR(2000) NOT NULL,
    inputs   JSON          NOT NULL,
    -- The version that undoing this one goes back to.
    undo_to  INT UNSIGNED  NULL,
    PRIMARY KEY (plan_id, version),
    CONSTRAINT version_of_plan FOREIGN KEY (plan_id) REFERENCES plans (id) ON DELETE CASCADE
);

INSERT INTO plans (id, name, note, inputs, version, created_at, changed_at)
SELECT id, name, note, inputs, version + plan_version - 1, created_at, updated_at FROM batches;

INSERT INTO plan_versions (plan_id, version, name, note, inputs)
SELECT id, version, name, note, inputs FROM plans;

-- The last moment of kitchen time that each batch has reached: one clock for its bowls and
-- its steps. It never runs back, so the one that is furthest ahead goes on.
CREATE TABLE clocks_of_batches (
    batch_id      BINARY(16)  NOT NULL,
    clock_real    DATETIME(3) NULL,
    clock_kitchen DATETIME(3) NULL,
    clock_rate    DOUBLE      NOT NULL,
    place         INT         NOT NULL
);
INSERT INTO clocks_of_batches
SELECT batch_id, clock_real, clock_kitchen, clock_rate,
       ROW_NUMBER() OVER (PARTITION BY batch_id
                          ORDER BY TIMESTAMPDIFF(MICROSECOND, clock_real, clock_kitchen) DESC,
                                   clock_real DESC) AS place
FROM (SELECT batch_id, clock_real, clock_kitchen, clock_rate FROM bowls
      UNION ALL
      SELECT batch_id, clock_real, clock_kitchen, clock_rate FROM builds) AS clocks;

ALTER TABLE batches
    ADD COLUMN plan_id       BINARY(16)    NULL AFTER id,
    CHANGE COLUMN inputs stated JSON       NOT NULL,
    -- What followed from it, and the release that worked it out; NULL until it is worked out
    -- anew for what was begun before this was kept.
    ADD COLUMN computed      JSON          NULL AFTER stated,
    ADD COLUMN made_by       VARCHAR(40)   NOT NULL DEFAULT '0.1.0' AFTER computed,
    ADD COLUMN digest        BINARY(16)    NULL,
    ADD COLUMN begun_at      DATETIME(3)   NULL,
    ADD COLUMN closed_at     DATETIME(3)   NULL,
    ADD COLUMN deleted_at    DATETIME(3)   NULL,
    ADD COLUMN clock_real    DATETIME(3)   NULL,
    ADD COLUMN clock_kitchen DATETIME(3)   NULL,
    ADD COLUMN clock_rate    DOUBLE        NOT NULL DEFAULT 1,
    -- Whether its clock was the wall's from beginning to end: only then it teaches.
    ADD COLUMN real_time     BOOLEAN       NOT NULL DEFAULT TRUE,
    -- What lists show, kept in the transaction of whatever changes it.
    ADD COLUMN stage         VARCHAR(16)   NOT NULL DEFAULT 'under_way',
    ADD COLUMN unfinished    BOOLEAN       NOT NULL DEFAULT TRUE,
    ADD COLUMN summary       JSON          NULL,
    ADD COLUMN words         VARCHAR(2000) NOT NULL DEFAULT '',
    ADD COLUMN ended_at      DATETIME(3)   NULL,
    ADD COLUMN last_at       DATETIME(3)   NULL;

UPDATE batches b LEFT JOIN builds u ON u.batch_id = b.id
SET b.plan_id = b.id,
    b.version = 1,
    b.stated = COALESCE(u.inputs, b.stated),
    b.begun_at = COALESCE(LEAST(COALESCE((SELECT MIN(w.opened_at) FROM bowls w WHERE w.batch_id = b.id), u.begun_at),
                                COALESCE(u.begun_at, (SELECT MIN(w.opened_at) FROM bowls w WHERE w.batch_id = b.id))),
                          b.created_at);

UPDATE batches b JOIN clocks_of_batches c ON c.batch_id = b.id AND c.place = 1
SET b.clock_real = c.clock_real, b.clock_kitchen = c.clock_kitchen, b.clock_rate = c.clock_rate,
    b.real_time = c.clock_rate = 1 AND ABS(TIMESTAMPDIFF(SECOND, c.clock_real, c.clock_kitchen)) < 2;

DROP TABLE clocks_of_batches;

UPDATE batches SET clock_real = begun_at, clock_kitchen = begun_at WHERE clock_real IS NULL;

-- What was only planned is no batch.
DELETE b FROM batches b
WHERE NOT EXISTS (SELECT 1 FROM bowls w WHERE w.batch_id = b.id)
  AND NOT EXISTS (SELECT 1 FROM builds u WHERE u.batch_id = b.id)
  AND NOT EXISTS (SELECT 1 FROM outcomes o WHERE o.batch_id = b.id)
  AND NOT EXISTS (SELECT 1 FROM photos p WHERE p.batch_id = b.id);

-- A second of sixty was kept as no date at all: it is given that of the reading before it.
-- No temporary table may come about that would hold such a date.
CREATE TABLE spoilt_readings (seq BIGINT UNSIGNED NOT NULL PRIMARY KEY, at DATETIME(3) NULL);
INSERT INTO spoilt_readings
SELECT r.seq, (SELECT MAX(e.at) FROM readings e
               WHERE e.bowl_id = r.bowl_id AND e.seq < r.seq AND e.at > 0)
FROM readings r WHERE r.at = 0;
UPDATE readings r JOIN spoilt_readings s ON s.seq = r.seq JOIN bowls w ON w.id = r.bowl_id
SET r.at = COALESCE(s.at, w.opened_at);
DROP TABLE spoilt_readings;
UPDATE actions a JOIN bowls w ON w.id = a.bowl_id SET a.at = w.opened_at WHERE a.at = 0;
UPDATE build_events e JOIN builds u ON u.batch_id = e.batch_id SET e.at = u.begun_at WHERE e.at = 0;

ALTER TABLE batches
    MODIFY begun_at      DATETIME(3) NOT NULL,
    MODIFY clock_real    DATETIME(3) NOT NULL,
    MODIFY clock_kitchen DATETIME(3) NOT NULL,
    DROP COLUMN plan_version,
    DROP COLUMN created_at,
    DROP COLUMN updated_at,
    ADD CONSTRAINT batch_of_plan FOREIGN KEY (plan_id) REFERENCES plans (id) ON DELETE SET NULL;

UPDATE batches b SET b.last_at = GREATEST(
    b.begun_at,
    COALESCE((SELECT MAX(w.opened_at) FROM bowls w WHERE w.batch_id = b.id), b.begun_at),
    COALESCE((SELECT MAX(o.noted_at) FROM outcomes o WHERE o.batch_id = b.id), b.begun_at),
    COALESCE((SELECT MAX(e.at) FROM build_events e WHERE e.batch_id = b.id), b.begun_at));

ALTER TABLE batches
    MODIFY last_at DATETIME(3) NOT NULL,
    ADD KEY batches_by_activity (last_at, id),
    ADD KEY batches_by_stage (stage, last_at, id);

-- Where a bowl stands, kept with the action that changes it. When it ended is told in the
-- batch's time and by the wall.
ALTER TABLE bowls
    DROP COLUMN clock_real,
    DROP COLUMN clock_kitchen,
    DROP COLUMN clock_rate,
    ADD COLUMN status     VARCHAR(10)   NOT NULL DEFAULT 'open',
    ADD COLUMN ended_at   DATETIME(3)   NULL,
    ADD COLUMN ended_wall DATETIME(3)   NULL,
    ADD COLUMN gave_up    VARCHAR(500)  NULL,
    ADD COLUMN digest     BINARY(16)    NULL,
    -- Who measures it, and when that was last heard.
    ADD COLUMN probe      VARCHAR(60)   NULL,
    ADD COLUMN probe_at   DATETIME(3)   NULL,
    ADD KEY bowls_by_status (status, ended_wall);

UPDATE bowls w JOIN (
    SELECT a.bowl_id, MAX(a.at) AS at FROM actions a
    WHERE a.kind = 'poured'
      AND NOT EXISTS (SELECT 1 FROM actions u WHERE u.bowl_id = a.bowl_id AND u.undoes = a.id)
    GROUP BY a.bowl_id) AS poured ON poured.bowl_id = w.id
SET w.status = 'poured', w.ended_at = poured.at, w.ended_wall = poured.at;

UPDATE bowls w JOIN actions a ON a.bowl_id = w.id AND a.kind = 'given_up'
    AND NOT EXISTS (SELECT 1 FROM actions u WHERE u.bowl_id = a.bowl_id AND u.undoes = a.id)
SET w.status = 'given_up', w.ended_at = a.at, w.ended_wall = a.at, w.gave_up = a.reason;

-- What was done, by the keys of steps.
ALTER TABLE build_events
    DROP FOREIGN KEY event_of_build,
    ADD COLUMN kind VARCHAR(16)  NOT NULL DEFAULT 'done' AFTER at,
    ADD COLUMN step VARCHAR(100) NULL AFTER kind;
UPDATE build_events
SET kind = IF(undoes IS NULL, 'done', 'undone'),
    step = IF(undoes IS NULL, CONCAT(component, '/', task), NULL);
ALTER TABLE build_events
    DROP COLUMN component,
    DROP COLUMN task,
    ADD CONSTRAINT step_event_of_batch FOREIGN KEY (batch_id) REFERENCES batches (id) ON DELETE CASCADE;
ALTER TABLE build_events RENAME TO step_events;
DROP TABLE builds;

ALTER TABLE readings ADD KEY readings_in_order (bowl_id, seq);
ALTER TABLE actions
    ADD COLUMN corrects BINARY(16)  NULL,
    ADD COLUMN reading  BINARY(16)  NULL,
    -- When it was entered, by the wall; what was entered late says so by it.
    ADD COLUMN kept_at  DATETIME(3) NULL,
    MODIFY kind VARCHAR(20) NOT NULL,
    ADD KEY actions_in_order (bowl_id, seq);

-- What came out is one document, so that more can be said of it.
CREATE TABLE results (
    seq      BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    batch_id BINARY(16)  NOT NULL,
    id       BINARY(16)  NOT NULL,
    noted_at DATETIME(3) NOT NULL,
    document JSON        NOT NULL,
    UNIQUE KEY result_once (batch_id, id),
    CONSTRAINT result_of_batch FOREIGN KEY (batch_id) REFERENCES batches (id) ON DELETE CASCADE
);
INSERT INTO results (batch_id, id, noted_at, document)
SELECT batch_id, id, noted_at,
       JSON_OBJECT('looks', JSON_OBJECT('gloss', gloss, 'snap', snap, 'released', released, 'streaks', streaks),
                   'seen', JSON_ARRAY(), 'note', note)
FROM outcomes ORDER BY seq;
DROP TABLE outcomes;

ALTER TABLE photos ADD COLUMN digest BINARY(16) NULL;
ALTER TABLE shelf ADD COLUMN digest BINARY(16) NULL;
ALTER TABLE lessons
    ADD KEY lessons_of_ware (ware_id, opened_at),
    ADD KEY lessons_of_heat (heat_id, opened_at),
    ADD KEY lessons_by_time (opened_at);

-- What changed, so that several servers on one database know of each other's doings.
CREATE TABLE changes (
    seq  BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    what VARCHAR(16) NOT NULL,
    id   BINARY(16)  NULL,
    at   DATETIME(3) NOT NULL,
    KEY changes_by_time (at)
);

-- Who does what only one server may do at a time.
CREATE TABLE leases (
    name   VARCHAR(80) NOT NULL PRIMARY KEY,
    holder BINARY(16)  NOT NULL,
    until  DATETIME(3) NOT NULL
);

-- What is known of the installation itself.
CREATE TABLE house (
    name  VARCHAR(40)   NOT NULL PRIMARY KEY,
    value VARCHAR(2000) NOT NULL
);
INSERT INTO house (name, value)
SELECT 'demo', 'loaded' FROM DUAL WHERE EXISTS (SELECT 1 FROM plans);
