-- Who did what, when and from where. Only added to: each row's hash is made over the row before it, so that one that is
-- changed or taken away later shows.
CREATE TABLE audit_record (
  -- 1, 2, 3 …, without a gap
  id int8 PRIMARY KEY,
  at_ms int8 NOT NULL,
  -- as the person said; '' where nobody was asked
  who text NOT NULL,
  -- network address that it came from
  address text NOT NULL,
  -- the operation, as the API's description calls it
  what text NOT NULL,
  -- its path
  about text NOT NULL,
  -- what was given and what stood there before, as JSON; hashed as it is
  detail text NOT NULL,
  -- SHA-256, hexadecimal
  hash text NOT NULL
);
