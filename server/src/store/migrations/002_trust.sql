-- What a flow did in each five minutes of an hour, packed (store/roll-ups.ts): a twelfth of the rows. All hours are rolled
-- up anew from their attempts.
DROP TABLE roll_up;
CREATE TABLE roll_up_hour (
  hour_ms int8 NOT NULL,
  flow int NOT NULL,
  buckets bytea NOT NULL,
  PRIMARY KEY (hour_ms, flow)
);
INSERT INTO stale_hour (hour_ms, batch)
  SELECT DISTINCT started_us / 3600000000 * 3600000, 0::int8 FROM attempt ON CONFLICT DO NOTHING;

-- What people decided about an incident.
ALTER TABLE incident ADD COLUMN joined_into int REFERENCES incident (id);
ALTER TABLE incident ADD COLUMN split_from int REFERENCES incident (id);
ALTER TABLE incident ADD COLUMN set_aside jsonb;

-- Every decision with who and when: joins, splits, what was set aside, and their undoing.
CREATE TABLE decision (
  id int8 GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  at timestamptz NOT NULL DEFAULT now(),
  who text NOT NULL,
  incident int NOT NULL REFERENCES incident (id),
  what text NOT NULL,
  detail text NOT NULL DEFAULT ''
);
CREATE INDEX decision_of ON decision (incident, id);

-- Settings that people change in place: rates, a flow's name, limit and importance, the calendar. The newest row of a key
-- is in force from its time on; a null value takes the key back to what the settings file says. Nothing is ever overwritten.
CREATE TABLE setting_change (
  id int8 GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  at timestamptz NOT NULL DEFAULT now(),
  who text NOT NULL,
  key text NOT NULL,
  -- in force from this moment of event time on
  from_ms int8 NOT NULL,
  value jsonb,
  undoes int8 REFERENCES setting_change (id)
);
CREATE INDEX setting_change_of ON setting_change (key, id);
DROP TABLE setting;

-- When a version was first seen in an application: releases, for marks on charts and for comparing.
CREATE TABLE release (
  application text NOT NULL,
  version text NOT NULL,
  first_ms int8 NOT NULL,
  PRIMARY KEY (application, version)
);
