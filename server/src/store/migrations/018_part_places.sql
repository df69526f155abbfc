-- Where a component ran, in which version, and whose it was, each with the time for which it held: a past window shows
-- what was true then. Of what is known already only the newest is left; it holds for all time before.
ALTER TABLE component_part ADD COLUMN first_us int8 NOT NULL DEFAULT 0;
ALTER TABLE component_part ALTER COLUMN first_us DROP DEFAULT;
ALTER TABLE component_part DROP CONSTRAINT component_part_pkey;
ALTER TABLE component_part ADD PRIMARY KEY (component, host, application, region, version);
