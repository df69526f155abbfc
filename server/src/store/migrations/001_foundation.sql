-- Texts that repeat are stored once and numbered. kind: flow, component, person, site, version, region, tier,
-- promotion, host, failure, span, peer. Numbers are given by the single writer, see intake/name-book.ts.
CREATE TABLE name (
  id int PRIMARY KEY,
  kind text NOT NULL,
  value text NOT NULL,
  UNIQUE (kind, value)
);

-- One execution of a flow. Identity: trace and span, as the sender gave them.
CREATE TABLE attempt (
  trace_id uuid NOT NULL,
  span_id int8 NOT NULL,
  started_us int8 NOT NULL,
  duration_us int8 NOT NULL,
  flow int NOT NULL,
  flags int2 NOT NULL,
  person int NOT NULL,
  session int8 NOT NULL,
  failure int NOT NULL,
  site int NOT NULL,
  version int NOT NULL,
  region int NOT NULL,
  tier int NOT NULL,
  promotion int NOT NULL,
  host int NOT NULL,
  component int NOT NULL,
  value_minor int8
);
CREATE UNIQUE INDEX attempt_identity ON attempt (trace_id, span_id);
-- Rows arrive nearly in order of time, so a btree is cheap to append to. A block range index would need a background
-- worker to summarise new pages, and PGlite has none.
CREATE INDEX attempt_time ON attempt (started_us);

-- Work below an entry span.
CREATE TABLE span (
  trace_id uuid NOT NULL,
  span_id int8 NOT NULL,
  parent_id int8 NOT NULL,
  started_us int8 NOT NULL,
  duration_us int8 NOT NULL,
  component int NOT NULL,
  peer int NOT NULL,
  name int NOT NULL,
  kind int2 NOT NULL,
  flags int2 NOT NULL,
  failure int NOT NULL,
  host int NOT NULL
);
CREATE UNIQUE INDEX span_identity ON span (trace_id, span_id);
CREATE INDEX span_time ON span (started_us);

-- Hours whose roll-ups are older than their attempts. `batch` is the newest ingest batch that touched the hour.
CREATE TABLE stale_hour (
  hour_ms int8 PRIMARY KEY,
  batch int8 NOT NULL
);

-- What a flow did in five minutes. `durations` is an encoded LogHistogram.
CREATE TABLE roll_up (
  flow int NOT NULL,
  start_ms int8 NOT NULL,
  attempts int NOT NULL,
  failed int NOT NULL,
  durations bytea NOT NULL,
  PRIMARY KEY (start_ms, flow)
);

CREATE TABLE incident (
  id int PRIMARY KEY,
  onset_ms int8 NOT NULL,
  end_ms int8 NOT NULL,
  active boolean NOT NULL,
  -- the evidence went away when late data came in: no longer listed, kept for its handoffs
  withdrawn boolean NOT NULL DEFAULT false,
  parts jsonb NOT NULL,
  component jsonb
);

CREATE TABLE handoff (
  id uuid PRIMARY KEY,
  incident int NOT NULL REFERENCES incident (id),
  team text NOT NULL,
  state text NOT NULL,
  note text NOT NULL,
  brief jsonb NOT NULL,
  markdown text NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now(),
  -- the sender's key: the same key never makes a second handoff
  idempotency_key text NOT NULL UNIQUE,
  tries int NOT NULL DEFAULT 0,
  next_try_at timestamptz
);

CREATE TABLE handoff_event (
  id int8 GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  handoff uuid NOT NULL REFERENCES handoff (id),
  at timestamptz NOT NULL DEFAULT now(),
  what text NOT NULL,
  detail text NOT NULL DEFAULT ''
);
CREATE INDEX handoff_event_of ON handoff_event (handoff, id);

CREATE TABLE setting (
  key text PRIMARY KEY,
  value jsonb NOT NULL
);
