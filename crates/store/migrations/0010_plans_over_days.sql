-- When a plan is made, as it states that itself: those that share the maker's hours are found by it.
-- Times are written alike, in UTC, so they are in order as text.
ALTER TABLE plans
    ADD COLUMN due_at VARCHAR(40) GENERATED ALWAYS AS (
        COALESCE(JSON_VALUE(inputs, '$.when.ready_by'), JSON_VALUE(inputs, '$.when.begin'))
    ) STORED,
    ADD KEY plans_by_due (due_at);
