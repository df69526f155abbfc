-- Lines of running code at which variables are read.
CREATE TABLE watch_point (
  id int PRIMARY KEY GENERATED ALWAYS AS IDENTITY,
  component text NOT NULL,
  -- the end of its path
  file text NOT NULL,
  line int NOT NULL,
  variables text[] NOT NULL,
  -- so many readings are enough
  most int NOT NULL,
  why text NOT NULL,
  made_ms int8 NOT NULL,
  made_by text NOT NULL,
  ends_ms int8 NOT NULL,
  -- null: nobody stopped it
  stopped_ms int8,
  stopped_by text
);

-- How a watch point stands in each process of its component.
CREATE TABLE watch_place (
  point int NOT NULL REFERENCES watch_point (id) ON DELETE CASCADE,
  -- host and number of the process
  instance text NOT NULL,
  state text NOT NULL,
  -- the line that is read
  line int NOT NULL,
  seen_ms int8 NOT NULL,
  PRIMARY KEY (point, instance)
);

-- What the variables held as the line was passed once.
CREATE TABLE watch_reading (
  point int NOT NULL REFERENCES watch_point (id) ON DELETE CASCADE,
  -- chosen by the service, so that what is sent again is known
  id uuid NOT NULL,
  at_ms int8 NOT NULL,
  instance text NOT NULL,
  -- null where no trace was under way
  trace_id uuid,
  -- texts, one for each variable
  held jsonb NOT NULL,
  PRIMARY KEY (point, id)
);
