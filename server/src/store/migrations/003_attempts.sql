-- What caused an attempt, as a browser's span does; 0 for a root.
ALTER TABLE attempt ADD COLUMN parent_id int8 NOT NULL DEFAULT 0;
-- Masked statement of a call to a store; 0 for all other spans.
ALTER TABLE span ADD COLUMN statement int NOT NULL DEFAULT 0;

-- Message and place of failures, of attempts and spans alike. Few rows: only of what failed and told more than its type.
CREATE TABLE failure_detail (
  trace_id uuid NOT NULL,
  span_id int8 NOT NULL,
  started_us int8 NOT NULL,
  message text NOT NULL,
  class_name text NOT NULL,
  method text NOT NULL,
  file text NOT NULL,
  line int NOT NULL,
  stack text NOT NULL,
  PRIMARY KEY (trace_id, span_id)
);
CREATE INDEX failure_detail_time ON failure_detail (started_us);

-- When a version of a component was first seen in any span: releases, as reasons for what began just after.
CREATE TABLE component_version (
  component text NOT NULL,
  version text NOT NULL,
  first_us int8 NOT NULL,
  PRIMARY KEY (component, version)
);
