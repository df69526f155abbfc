-- Lines of logs. Identity: component, moment, and a hash of everything that the sender gave, so that a request sent again adds
-- nothing. The key also serves the one question that is asked: lines of some components between two moments.
CREATE TABLE log_line (
  component int NOT NULL,
  at_us int8 NOT NULL,
  identity int8 NOT NULL,
  host int NOT NULL,
  severity int2 NOT NULL,
  -- null: the line belongs to no trace
  trace_id uuid,
  span_id int8 NOT NULL,
  failure int NOT NULL,
  body text NOT NULL
);
CREATE UNIQUE INDEX log_line_identity ON log_line (component, at_us, identity);

-- Points of metrics. The series stands in table name (kind series) as JSON.
CREATE TABLE metric_point (
  series int NOT NULL,
  at_us int8 NOT NULL,
  start_us int8 NOT NULL,
  value float8 NOT NULL,
  -- histograms: count, sum, min, max, bounds, counts
  distribution jsonb
);
CREATE UNIQUE INDEX metric_point_identity ON metric_point (series, at_us);

-- What people changed, as told by events.
CREATE TABLE change_event (
  id text PRIMARY KEY,
  at_us int8 NOT NULL,
  kind text NOT NULL,
  component text NOT NULL,
  title text NOT NULL,
  by text NOT NULL
);
CREATE INDEX change_event_time ON change_event (at_us);
