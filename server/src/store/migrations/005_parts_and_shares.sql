-- Where components run, as their newest spans say: what the estate is grouped by.
CREATE TABLE component_part (
  component text NOT NULL,
  host text NOT NULL,
  application text NOT NULL,
  region text NOT NULL,
  version text NOT NULL,
  last_us int8 NOT NULL,
  PRIMARY KEY (component, host)
);

-- Stretches of time of which whole traces were thinned out: all that went wrong was kept, and of the usual ones this share.
CREATE TABLE trace_share (
  from_ms int8 PRIMARY KEY,
  to_ms int8 NOT NULL,
  share float8 NOT NULL,
  -- traces of usual attempts, and of those that went wrong
  usual int NOT NULL,
  bad int NOT NULL
);
