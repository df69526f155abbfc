-- What an attempt was about (an article, a service), where its span tells it: read where people gather, so it stands apart from the columns.
CREATE TABLE attempt_item (
  trace_id uuid NOT NULL,
  span_id int8 NOT NULL,
  started_us int8 NOT NULL,
  flow int NOT NULL,
  person int NOT NULL,
  item int NOT NULL,
  PRIMARY KEY (trace_id, span_id)
);
CREATE INDEX attempt_item_flow ON attempt_item (flow, started_us);
