-- For what a team is asked: to end the cause, or to work around it.
ALTER TABLE handoff ADD COLUMN purpose text NOT NULL DEFAULT 'cause';
-- How long it may wait goes by the priority that the incident had.
ALTER TABLE handoff ADD COLUMN priority text;
-- When it came into its state.
ALTER TABLE handoff ADD COLUMN state_at timestamptz NOT NULL DEFAULT now();
UPDATE handoff SET state_at = coalesce((SELECT max(at) FROM handoff_event e WHERE e.handoff = handoff.id), created_at);
-- What the figures said after the newest reported fix, and what all of it cost; null before.
ALTER TABLE handoff ADD COLUMN outcome jsonb;
-- Since when the newest reported fix is in, as the team said.
ALTER TABLE handoff ADD COLUMN fixed_at timestamptz;
-- Since when it was known that people are hurt.
ALTER TABLE handoff ADD COLUMN detected_ms int8;
CREATE INDEX handoff_of_incident ON handoff (incident, created_at);

-- Pages that open without a login until they end. The secret in the link is kept as its hash alone.
CREATE TABLE shared_link (
  id uuid PRIMARY KEY,
  token_hash bytea NOT NULL UNIQUE,
  -- brief: of a handoff; answer: the same, and its team may answer
  kind text NOT NULL,
  target text NOT NULL,
  made_at timestamptz NOT NULL DEFAULT now(),
  ends_at timestamptz NOT NULL,
  revoked_at timestamptz,
  uses int NOT NULL DEFAULT 0,
  last_used_at timestamptz
);
CREATE INDEX shared_link_of ON shared_link (target, made_at);
