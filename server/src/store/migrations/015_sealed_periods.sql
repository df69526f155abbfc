-- What a promise's period came to, written down once it was over: what comes later shows as a correction.
CREATE TABLE sealed_period (
  promise text NOT NULL,
  from_ms int8 NOT NULL,
  to_ms int8 NOT NULL,
  sealed_ms int8 NOT NULL,
  valid int8 NOT NULL,
  good int8 NOT NULL,
  report jsonb NOT NULL,
  PRIMARY KEY (promise, from_ms)
);
