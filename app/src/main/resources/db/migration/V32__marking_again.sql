-- Answers are marked when they are given, and again when something of their questions changes: lessons whose answers are due, and
-- how often that was asked for.
CREATE TABLE marks_due (
  lesson_id TEXT    NOT NULL PRIMARY KEY REFERENCES lesson (id) ON DELETE CASCADE,
  asked     INTEGER NOT NULL DEFAULT 1
) WITHOUT ROWID;

-- How many of its answers turned out to be worth something else when they were marked again last, and when that was.
ALTER TABLE assignment ADD COLUMN marked_again INTEGER NOT NULL DEFAULT 0;
ALTER TABLE assignment ADD COLUMN marked_again_at BIGINT;

-- Until now they were marked again when a teacher looked at them.
INSERT INTO marks_due (lesson_id)
SELECT DISTINCT assignment.lesson_id FROM assignment JOIN response ON response.assignment_id = assignment.id;
