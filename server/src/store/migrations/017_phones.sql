-- Applications that ended by a crash in somebody's hand.
CREATE TABLE phone_crash (
  id int8 PRIMARY KEY,
  at_us int8 NOT NULL,
  -- numbers of names
  component int NOT NULL,
  application int NOT NULL,
  version int NOT NULL,
  person int NOT NULL,
  session int8 NOT NULL,
  device int NOT NULL,
  system int NOT NULL,
  carrier int NOT NULL,
  country int NOT NULL,
  screen int NOT NULL,
  type text NOT NULL,
  message text NOT NULL,
  stack text NOT NULL,
  -- thread, other threads, trail
  detail jsonb NOT NULL
);
CREATE INDEX phone_crash_at ON phone_crash (at_us);

-- Texts that R8 or ProGuard wrote beside a build: from short names to those that people wrote.
CREATE TABLE name_mapping (
  component text NOT NULL,
  version text NOT NULL,
  mapping text NOT NULL,
  uploaded timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (component, version)
);
