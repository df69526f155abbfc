-- Everything that is said of one subject to one receiver, from its opening until it is over.
CREATE TABLE alert_conversation (
  id uuid PRIMARY KEY,
  subject text NOT NULL,
  receiver text NOT NULL,
  opened_at timestamptz NOT NULL,
  -- what was told last
  told jsonb NOT NULL,
  over_at timestamptz
);
CREATE UNIQUE INDEX alert_conversation_open ON alert_conversation (subject, receiver) WHERE over_at IS NULL;

-- Messages to be delivered: at least once each; receivers drop doubles by the id.
CREATE TABLE outbox (
  id uuid PRIMARY KEY,
  -- short enough for a short message; opens `path`
  code text NOT NULL UNIQUE,
  path text NOT NULL,
  conversation uuid,
  stage text NOT NULL,
  receiver text NOT NULL,
  -- who was on duty, when a rota says
  person text NOT NULL DEFAULT '',
  channel text NOT NULL,
  address text NOT NULL,
  message jsonb NOT NULL,
  made_at timestamptz NOT NULL,
  tries int NOT NULL DEFAULT 0,
  next_try_at timestamptz,
  delivered_at timestamptz,
  -- why it will not be delivered; null while it may
  given_up text,
  -- why the last try failed
  trouble text NOT NULL DEFAULT ''
);
CREATE INDEX outbox_due ON outbox (next_try_at) WHERE next_try_at IS NOT NULL;
CREATE INDEX outbox_made ON outbox (made_at);
