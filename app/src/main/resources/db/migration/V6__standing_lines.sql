-- A teacher's standing lines are the lines of a lesson of its own, her shelf, which has no students.
ALTER TABLE lesson ADD COLUMN shelf BOOLEAN NOT NULL DEFAULT FALSE;
CREATE UNIQUE INDEX lesson_shelf ON lesson (teacher_id) WHERE shelf;

-- What a folder of the shelf is called.
ALTER TABLE page ADD COLUMN title TEXT;

-- The standing line whose words and take this line has; NULL: it has its own.
ALTER TABLE line ADD COLUMN standing_line_id TEXT REFERENCES line (id);
CREATE INDEX line_by_standing ON line (standing_line_id);
CREATE INDEX line_by_kept_take ON line (kept_take_id);
