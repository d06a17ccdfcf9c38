-- What is different for a student with one lesson, or with what was given once, in place of what holds always.
CREATE TABLE accommodation_here (
  student_id    TEXT    NOT NULL REFERENCES student (id),
  -- A lesson's id, or that of something that was given.
  of_id         TEXT    NOT NULL,
  hears         TEXT    NOT NULL,
  speed_percent INTEGER NOT NULL,
  words         TEXT    NOT NULL,
  more_time     BOOLEAN NOT NULL,
  unlimited     BOOLEAN NOT NULL,
  -- Null: as many as the lesson says; 0: as many as she likes.
  tries         INTEGER,
  PRIMARY KEY (student_id, of_id)
);
