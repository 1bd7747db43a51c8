-- What a batch was worked out to be is kept in another form from here on (documents of
-- format 2). No table changes; a release that does not know the form must not start.
DO 0;
