-- Every look at persons by name: who, when, why, at what, and at how many.
CREATE TABLE person_look (
  id int8 GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
  at timestamptz NOT NULL DEFAULT now(),
  who text NOT NULL,
  why text NOT NULL,
  what text NOT NULL,
  people int NOT NULL
);
