-- What was fetched stands apart from the figures of a view: it is most of its bytes, and is read for one view or a few hundred.
CREATE TABLE page_detail (
  view int8 PRIMARY KEY,
  sequence int2 NOT NULL,
  at_us int8 NOT NULL,
  -- path, host, resources one by one
  detail jsonb NOT NULL
);
INSERT INTO page_detail (view, sequence, at_us, detail) SELECT view, sequence, started_us, detail FROM page_view;
ALTER TABLE page_view DROP COLUMN detail;
