-- What a session on a phone is made of besides attempts and crashes: requests, errors, taps, states, usage, shapes.
CREATE TABLE phone_moment (
  id int8 PRIMARY KEY,
  at_us int8 NOT NULL,
  session int8 NOT NULL,
  -- as in MOMENT_KINDS
  kind int2 NOT NULL,
  -- numbers of names
  component int NOT NULL,
  application int NOT NULL,
  version int NOT NULL,
  device int NOT NULL,
  carrier int NOT NULL,
  country int NOT NULL,
  what int NOT NULL,
  duration_us int8 NOT NULL,
  failed int2 NOT NULL,
  status int NOT NULL,
  bytes_in int8,
  bytes_out int8,
  cpu float8,
  memory int8,
  trace_id uuid,
  span_id int8 NOT NULL,
  -- message of an error, shape of a screen
  detail jsonb
);
CREATE INDEX phone_moment_at ON phone_moment (at_us);
CREATE INDEX phone_moment_session ON phone_moment (session, at_us) WHERE session <> 0;
-- Attempts of a session are asked for on phones alone: of USER_SIDE, HANDHELD and PAGE (88) the first two (72).
CREATE INDEX attempt_session ON attempt (session, started_us) WHERE session <> 0 AND flags & 88 = 72;
