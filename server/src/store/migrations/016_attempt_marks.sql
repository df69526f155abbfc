-- Begins and ends of attempts that an application told by itself, until both are known or nobody waits any longer.
CREATE TABLE attempt_mark (
  id int8 NOT NULL,
  -- 0: begin, 1: end
  is_end int2 NOT NULL,
  received_ms int8 NOT NULL,
  mark jsonb NOT NULL,
  PRIMARY KEY (id, is_end)
);
CREATE INDEX attempt_mark_received ON attempt_mark (received_ms);
