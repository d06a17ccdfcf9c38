-- The lines that say a student's name, also those of classes that she left: they go with her.
CREATE TABLE name_line (
  line_id    TEXT NOT NULL PRIMARY KEY,
  student_id TEXT NOT NULL
);
CREATE INDEX name_line_by_student ON name_line (student_id);
INSERT INTO name_line (line_id, student_id) SELECT name_line_id, student_id FROM class_student;

-- What was let go in the database and may still lie in a file: done with after each change, and at each start.
CREATE TABLE must_go (
  -- file (by its hash), chunks (of a recording), log (of the database's changes)
  kind TEXT   NOT NULL,
  what TEXT   NOT NULL,
  at   BIGINT NOT NULL,
  PRIMARY KEY (kind, what)
);
