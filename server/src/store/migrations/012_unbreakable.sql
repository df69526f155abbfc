-- Folders of versions before 0.2: two files above were edited after they had been used. What those folders lack is made here.
CREATE TABLE IF NOT EXISTS roll_up_hour (
  hour_ms int8 NOT NULL,
  flow int NOT NULL,
  buckets bytea NOT NULL,
  PRIMARY KEY (hour_ms, flow)
);
DO $$ BEGIN
  IF to_regclass('roll_up') IS NOT NULL THEN
    DROP TABLE roll_up;
    INSERT INTO stale_hour (hour_ms, batch)
      SELECT DISTINCT started_us / 3600000000 * 3600000, 0::int8 FROM attempt ON CONFLICT DO NOTHING;
  END IF;
END $$;
CREATE TABLE IF NOT EXISTS component_version (
  component text NOT NULL,
  version text NOT NULL,
  first_us int8 NOT NULL,
  PRIMARY KEY (component, version)
);

-- How far the journal is applied: written in the transaction that applies it, so that the two never disagree.
CREATE TABLE journal_applied (
  one boolean PRIMARY KEY DEFAULT true CHECK (one),
  segment int8 NOT NULL,
  byte_offset int8 NOT NULL
);

-- Records that the database refused: kept aside with the reason, until somebody sends them again or drops them.
CREATE TABLE refused_record (
  id int8 GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  at timestamptz NOT NULL DEFAULT now(),
  -- attempts, spans, lines, points, changes, views, errors, toldBeside
  kind text NOT NULL,
  sqlstate text NOT NULL,
  reason text NOT NULL,
  -- as JSON
  record text NOT NULL
);

-- From where old stretches are still to be judged anew. One row, or none.
CREATE TABLE judging_due (
  one boolean PRIMARY KEY DEFAULT true CHECK (one),
  from_ms int8 NOT NULL
);

-- When a name was first seen, and from which source: new ones are limited. 0 for those of before.
ALTER TABLE name ADD COLUMN since_ms int8 NOT NULL DEFAULT 0;
ALTER TABLE name ADD COLUMN source text NOT NULL DEFAULT '';
-- An index entry holds at most a third of a page: statements and series may be longer and are known by their hash.
ALTER TABLE name DROP CONSTRAINT name_kind_value_key;
CREATE UNIQUE INDEX name_value ON name (kind, value) WHERE kind NOT IN ('statement', 'series');
CREATE UNIQUE INDEX name_hash ON name (kind, md5(value)) WHERE kind IN ('statement', 'series');
