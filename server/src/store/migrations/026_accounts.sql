-- People who sign in here, what they were given, and where they are signed in. Secrets stand in it as hashes, or sealed
-- with the installation's own key.
CREATE TABLE account (
  id int PRIMARY KEY GENERATED ALWAYS AS IDENTITY,
  -- under which all that they do is recorded
  name text NOT NULL,
  -- in lower case; '' of a person who signs in elsewhere and has none
  mail text NOT NULL,
  -- scrypt: parameters, salt and key; '' until it is chosen, and of who signs in elsewhere
  password text NOT NULL DEFAULT '',
  -- sealed; '' without a second factor
  second_factor text NOT NULL DEFAULT '',
  -- step of the last one-time password that was taken: none is taken twice
  last_step int8 NOT NULL DEFAULT 0,
  -- SHA-256 of recovery codes that were not used yet
  recovery text[] NOT NULL DEFAULT '{}',
  -- issuer and subject at the provider where they sign in; '' of who signs in here
  subject text NOT NULL DEFAULT '',
  made_ms int8 NOT NULL,
  -- since when nobody signs in by it any more
  ended_ms int8
);
CREATE UNIQUE INDEX account_mail ON account (mail) WHERE mail <> '';
CREATE UNIQUE INDEX account_subject ON account (subject) WHERE subject <> '';

CREATE TABLE account_grant (
  account int NOT NULL REFERENCES account (id),
  role text NOT NULL,
  -- the application or team that it holds for; '' of roles that hold everywhere
  of text NOT NULL,
  -- null: without an end
  until_ms int8,
  PRIMARY KEY (account, role, of)
);

-- By which a password is chosen, once.
CREATE TABLE account_link (
  token_hash bytea PRIMARY KEY,
  -- null: whoever opens it becomes the first administrator
  account int REFERENCES account (id),
  ends_ms int8 NOT NULL
);

CREATE TABLE session (
  -- SHA-256 of what the browser holds
  id_hash text PRIMARY KEY,
  -- null until somebody has signed in
  account int REFERENCES account (id),
  -- what belongs to it, as JSON
  data text NOT NULL,
  made_ms int8 NOT NULL,
  seen_ms int8 NOT NULL,
  ends_ms int8 NOT NULL,
  -- from where, and the browser as it calls itself
  address text NOT NULL,
  browser text NOT NULL
);

-- Wrong passwords and codes in a row, by what was tried; kept so that a start forgets none.
CREATE TABLE sign_in_failure (
  -- SHA-256 of the address that was given, whether somebody has it or not
  tried text PRIMARY KEY,
  failures int NOT NULL,
  last_ms int8 NOT NULL
);
