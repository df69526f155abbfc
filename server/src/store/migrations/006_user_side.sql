-- Number of the person's own device, of spans and attempts that ran on it; 0 for what runs on servers.
ALTER TABLE span ADD COLUMN device int NOT NULL DEFAULT 0;
ALTER TABLE attempt ADD COLUMN device int NOT NULL DEFAULT 0;
