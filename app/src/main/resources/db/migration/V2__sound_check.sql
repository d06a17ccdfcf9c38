-- What the sound check found in a take; places are milliseconds within the whole recording.
CREATE TABLE take_finding (
  take_id  TEXT   NOT NULL REFERENCES take (id),
  kind     TEXT   NOT NULL,
  start_ms BIGINT NOT NULL,
  end_ms   BIGINT NOT NULL,
  PRIMARY KEY (take_id, kind, start_ms)
);

-- When the teacher said that a take is fine as it is.
ALTER TABLE take ADD COLUMN accepted_at BIGINT;
