-- Part of a country (ISO 3166-2), where the page tells it.
ALTER TABLE page_view ADD COLUMN area int NOT NULL DEFAULT 0;
