-- How long the way to a remote desktop and back took, session by session.
CREATE TABLE remote_sample (
  session bigint NOT NULL,
  at_us bigint NOT NULL,
  round_trip_ms double precision NOT NULL,
  client int NOT NULL,
  site int NOT NULL,
  server int NOT NULL,
  centre int NOT NULL,
  PRIMARY KEY (session, at_us)
);
CREATE INDEX remote_sample_at ON remote_sample (at_us);
