-- What spans came to in an hour, by component, host, peer, kind and operation: what is usual is told by earlier days,
-- whose spans are gone. Summed once an hour is over, before its traces are thinned out.
CREATE TABLE part_hour (
  hour_ms int8 NOT NULL,
  component int NOT NULL,
  host int NOT NULL,
  peer int NOT NULL,
  name int NOT NULL,
  kind int2 NOT NULL,
  attempts int NOT NULL,
  failed int NOT NULL,
  log_sum float8 NOT NULL,
  log_squares float8 NOT NULL
);
CREATE INDEX part_hour_time ON part_hour (hour_ms);
