-- Goods of the pantry are counted as chocolate is, in what each is counted in: grams,
-- millilitres or pieces.
ALTER TABLE stock_moves
    CHANGE COLUMN chocolate_id thing_id BINARY(16) NOT NULL,
    CHANGE COLUMN grams amount DOUBLE NOT NULL,
    ADD KEY moves_by_id (id);
