-- Of people at work: part of the organisation, what they do, on which kind of device, and the server they work with.
ALTER TABLE attempt
  ADD COLUMN department int NOT NULL DEFAULT 0,
  ADD COLUMN role int NOT NULL DEFAULT 0,
  ADD COLUMN station int NOT NULL DEFAULT 0,
  ADD COLUMN server int NOT NULL DEFAULT 0;
