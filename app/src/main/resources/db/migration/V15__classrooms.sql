-- What somebody of the school may do beyond her own lessons; whoever was first looks after the school.
ALTER TABLE teacher ADD COLUMN role TEXT NOT NULL DEFAULT 'TEACHER' CHECK (role IN ('ADMIN', 'TEACHER', 'AIDE'));
-- She can't come in any more; her lessons stay.
ALTER TABLE teacher ADD COLUMN disabled_at BIGINT;
UPDATE teacher SET role = 'ADMIN' WHERE id = (SELECT id FROM teacher ORDER BY created_at, rowid LIMIT 1);

-- So long it is kept what students did and recorded; then it goes.
ALTER TABLE school ADD COLUMN keep_months INTEGER NOT NULL DEFAULT 12;

-- A link by which somebody sets her password, once.
CREATE TABLE password_link (
  secret_hash TEXT   NOT NULL PRIMARY KEY,
  teacher_id  TEXT   NOT NULL REFERENCES teacher (id),
  ends_at     BIGINT NOT NULL
);

-- Who did what that others should be able to ask for later.
CREATE TABLE audit_entry (
  id    INTEGER NOT NULL PRIMARY KEY AUTOINCREMENT,
  at    BIGINT  NOT NULL,
  who   TEXT    NOT NULL,
  deed  TEXT    NOT NULL,
  about TEXT    NOT NULL
);

-- How a lesson lies on somebody's desk.
CREATE TABLE desk_folder (
  id         TEXT NOT NULL PRIMARY KEY,
  teacher_id TEXT NOT NULL REFERENCES teacher (id),
  name       TEXT NOT NULL
);
CREATE TABLE on_desk (
  teacher_id TEXT   NOT NULL REFERENCES teacher (id),
  lesson_id  TEXT   NOT NULL REFERENCES lesson (id),
  opened_at  BIGINT NOT NULL DEFAULT 0,
  folder_id  TEXT REFERENCES desk_folder (id),
  PRIMARY KEY (teacher_id, lesson_id)
);

CREATE TABLE school_class (
  id           TEXT    NOT NULL PRIMARY KEY,
  name         TEXT    NOT NULL,
  school_year  TEXT    NOT NULL,
  -- An animal (core.classroom.Animal).
  picture      TEXT    NOT NULL,
  -- What is said in it: names, titles and directions, read through like any script.
  lesson_id    TEXT    NOT NULL REFERENCES lesson (id),
  -- Whether a card alone lets nobody in.
  key_needed   BOOLEAN NOT NULL DEFAULT TRUE,
  -- After so long a pause a child is asked whether it is still she.
  idle_minutes INTEGER NOT NULL DEFAULT 5,
  made_at      BIGINT  NOT NULL,
  removed_at   BIGINT
);
-- The lesson that holds what is said in a class; it lies on no desk.
ALTER TABLE lesson ADD COLUMN class_id TEXT REFERENCES school_class (id);

CREATE TABLE class_teacher (
  class_id   TEXT NOT NULL REFERENCES school_class (id),
  teacher_id TEXT NOT NULL REFERENCES teacher (id),
  PRIMARY KEY (class_id, teacher_id)
);
CREATE INDEX class_teacher_by_teacher ON class_teacher (teacher_id);

CREATE TABLE student (
  id          TEXT    NOT NULL PRIMARY KEY,
  name        TEXT    NOT NULL,
  animal      TEXT    NOT NULL,
  tint        TEXT    NOT NULL,
  -- Sealed with the school's secret, which isn't in this file.
  picture_key TEXT    NOT NULL,
  wrong_tries INTEGER NOT NULL DEFAULT 0,
  -- What she has in a roster that was brought in (OneRoster sourcedId).
  roster_id   TEXT,
  made_at     BIGINT  NOT NULL,
  removed_at  BIGINT
);
CREATE INDEX student_by_roster ON student (roster_id);

CREATE TABLE class_student (
  class_id     TEXT    NOT NULL REFERENCES school_class (id),
  student_id   TEXT    NOT NULL REFERENCES student (id),
  -- Her name as it is said in this class.
  name_line_id TEXT    NOT NULL REFERENCES line (id),
  -- Of the code on her card.
  card         TEXT    NOT NULL UNIQUE,
  position     INTEGER NOT NULL,
  PRIMARY KEY (class_id, student_id)
);
CREATE INDEX class_student_by_student ON class_student (student_id);

CREATE TABLE class_group (
  id       TEXT NOT NULL PRIMARY KEY,
  class_id   TEXT NOT NULL REFERENCES school_class (id),
  name       TEXT NOT NULL,
  -- What was given to it stays with those who were in it.
  removed_at BIGINT
);
CREATE TABLE group_student (
  group_id   TEXT NOT NULL REFERENCES class_group (id),
  student_id TEXT NOT NULL REFERENCES student (id),
  PRIMARY KEY (group_id, student_id)
);

-- How children come in: the link's secret, and a word to type.
CREATE TABLE door (
  token        TEXT   NOT NULL PRIMARY KEY,
  word         TEXT   NOT NULL UNIQUE,
  class_id     TEXT   NOT NULL REFERENCES school_class (id),
  made_at      BIGINT NOT NULL,
  withdrawn_at BIGINT
);
CREATE INDEX door_by_class ON door (class_id, withdrawn_at);

CREATE TABLE student_sign_in (
  secret_hash TEXT   NOT NULL PRIMARY KEY,
  student_id  TEXT   NOT NULL REFERENCES student (id),
  class_id    TEXT   NOT NULL REFERENCES school_class (id),
  made_at     BIGINT NOT NULL,
  seen_at     BIGINT NOT NULL
);
CREATE INDEX student_sign_in_by_student ON student_sign_in (student_id);

-- A lesson, or some of its pages, given to a class, or to some of it.
CREATE TABLE assignment (
  id                TEXT    NOT NULL PRIMARY KEY,
  lesson_id         TEXT    NOT NULL REFERENCES lesson (id),
  class_id          TEXT    NOT NULL REFERENCES school_class (id),
  teacher_id        TEXT    NOT NULL REFERENCES teacher (id),
  -- Its title as it is said, and what is to be done with it.
  title_line_id     TEXT    NOT NULL REFERENCES line (id),
  direction_line_id TEXT    REFERENCES line (id),
  -- Otherwise to whoever is named, be it nobody any more.
  to_all            BOOLEAN NOT NULL,
  -- Ids of pages, separated by spaces; empty: all.
  pages             TEXT    NOT NULL DEFAULT '',
  starts_at         BIGINT,
  ends_at           BIGINT,
  -- The highest is the first on a child's page.
  position          INTEGER NOT NULL,
  made_at           BIGINT  NOT NULL,
  taken_back_at     BIGINT
);
CREATE INDEX assignment_by_class ON assignment (class_id, taken_back_at);
CREATE INDEX assignment_by_lesson ON assignment (lesson_id);

-- To whom of the class, unless it is to all.
CREATE TABLE assignment_to (
  assignment_id TEXT NOT NULL REFERENCES assignment (id),
  group_id      TEXT REFERENCES class_group (id),
  student_id    TEXT REFERENCES student (id)
);
CREATE INDEX assignment_to_by_assignment ON assignment_to (assignment_id);

-- What a child did with an assignment.
CREATE TABLE visit (
  assignment_id TEXT   NOT NULL REFERENCES assignment (id),
  student_id    TEXT   NOT NULL REFERENCES student (id),
  opened_at     BIGINT NOT NULL,
  last_at       BIGINT NOT NULL,
  -- When the last line that she was to hear was heard.
  done_at       BIGINT,
  PRIMARY KEY (assignment_id, student_id)
);
CREATE TABLE heard_line (
  assignment_id TEXT    NOT NULL REFERENCES assignment (id),
  student_id    TEXT    NOT NULL REFERENCES student (id),
  line_id       TEXT    NOT NULL REFERENCES line (id),
  times         INTEGER NOT NULL,
  last_at       BIGINT  NOT NULL,
  PRIMARY KEY (assignment_id, student_id, line_id)
);

-- What a student hears, sees or does differently (core.classroom.Accommodation); no row: nothing.
CREATE TABLE accommodation (
  student_id    TEXT    NOT NULL PRIMARY KEY REFERENCES student (id),
  hears         TEXT    NOT NULL,
  speed_percent INTEGER NOT NULL,
  words         TEXT    NOT NULL,
  more_time     BOOLEAN NOT NULL,
  unlimited     BOOLEAN NOT NULL,
  switches      INTEGER NOT NULL
);
