-- Keys of what sends telemetry, made in the interface. Those of the environment stand beside them.
CREATE TABLE sender_key (
  id int PRIMARY KEY GENERATED ALWAYS AS IDENTITY,
  -- service, page or phone
  kind text NOT NULL,
  -- of a service the source that it is known as; of pages and phones the component that alone they may tell of
  name text NOT NULL,
  -- of pages: where they come from
  origins text[] NOT NULL DEFAULT '{}',
  made_ms int8 NOT NULL,
  made_by text NOT NULL,
  revoked_ms int8
);

-- A key has two of them while one replaces the other.
CREATE TABLE sender_secret (
  -- SHA-256, hexadecimal
  hash text PRIMARY KEY,
  key int NOT NULL REFERENCES sender_key (id),
  made_ms int8 NOT NULL,
  -- null: until another replaces it
  ends_ms int8,
  used_ms int8
);
