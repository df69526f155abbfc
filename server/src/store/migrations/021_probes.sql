-- Runs of scripted checks, and their steps: no attempts of people.
CREATE TABLE probe_run (
  id bigint PRIMARY KEY,
  trace_id uuid NOT NULL,
  at_us bigint NOT NULL,
  duration_us bigint NOT NULL,
  probe int NOT NULL,
  application int NOT NULL,
  site int NOT NULL,
  host int NOT NULL,
  failed smallint NOT NULL,
  fault text NOT NULL
);
CREATE INDEX probe_run_at ON probe_run (at_us);
CREATE INDEX probe_run_of ON probe_run (probe, site, at_us);

-- A step may come before the run that it belongs to.
CREATE TABLE probe_step (
  id bigint PRIMARY KEY,
  run bigint NOT NULL,
  at_us bigint NOT NULL,
  duration_us bigint NOT NULL,
  place smallint NOT NULL,
  name int NOT NULL,
  failed smallint NOT NULL,
  message text NOT NULL,
  parts jsonb
);
CREATE INDEX probe_step_run ON probe_step (run);
CREATE INDEX probe_step_at ON probe_step (at_us);
