-- Somebody who stands in for a while can't come in after this; null: whoever works at the school.
ALTER TABLE teacher ADD COLUMN ends_at BIGINT;

-- By which link a substitute comes in to which class, and what she is told there.
CREATE TABLE substitute (
  secret_hash TEXT   NOT NULL PRIMARY KEY,
  teacher_id  TEXT   NOT NULL REFERENCES teacher (id),
  class_id    TEXT   NOT NULL REFERENCES school_class (id),
  note        TEXT   NOT NULL,
  made_by     TEXT   NOT NULL REFERENCES teacher (id),
  made_at     BIGINT NOT NULL
);
CREATE INDEX substitute_by_teacher ON substitute (teacher_id);
CREATE INDEX substitute_by_class ON substitute (class_id);
