-- Device, browser, system and carrier tell attempts apart. What was called the device is what a span ran on, as one text.
ALTER TABLE attempt RENAME COLUMN device TO ran_on;
ALTER TABLE span RENAME COLUMN device TO ran_on;
UPDATE name SET kind = 'ranOn' WHERE kind = 'device';
ALTER TABLE attempt
  ADD COLUMN device int NOT NULL DEFAULT 0,
  ADD COLUMN browser int NOT NULL DEFAULT 0,
  ADD COLUMN system int NOT NULL DEFAULT 0,
  ADD COLUMN carrier int NOT NULL DEFAULT 0;
