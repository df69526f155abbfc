-- Value completed in the five minutes, minor units.
ALTER TABLE roll_up ADD COLUMN value_minor int8 NOT NULL DEFAULT 0;

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
