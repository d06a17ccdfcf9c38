-- Times are milliseconds since 1970-01-01 UTC. Names of files are SHA-256 in hexadecimal (see MediaStore).

CREATE TABLE school (
  id                   INTEGER NOT NULL PRIMARY KEY CHECK (id = 1),
  name                 TEXT    NOT NULL,
  longest_recording_ms BIGINT  NOT NULL,
  -- Where students reach this server, e.g. https://lessons.school.example; NULL: worked out from the request.
  address              TEXT
);

CREATE TABLE teacher (
  id            TEXT    NOT NULL PRIMARY KEY,
  -- In lower case.
  sign_in_name  TEXT   NOT NULL UNIQUE,
  full_name     TEXT   NOT NULL,
  password_hash TEXT   NOT NULL,
  created_at    BIGINT NOT NULL
);

CREATE TABLE lesson (
  id         TEXT    NOT NULL PRIMARY KEY,
  teacher_id TEXT    NOT NULL REFERENCES teacher (id),
  title      TEXT    NOT NULL,
  cover      INTEGER NOT NULL,
  created_at BIGINT  NOT NULL,
  changed_at BIGINT  NOT NULL,
  removed_at BIGINT
);
CREATE INDEX lesson_by_teacher ON lesson (teacher_id, changed_at);

CREATE TABLE page (
  id            TEXT    NOT NULL PRIMARY KEY,
  lesson_id     TEXT    NOT NULL REFERENCES lesson (id),
  position      INTEGER NOT NULL,
  picture_hash  TEXT,
  picture_type  TEXT,
  picture_words TEXT,
  removed_at    BIGINT
);
CREATE INDEX page_by_lesson ON page (lesson_id, position);

CREATE TABLE line (
  id           TEXT    NOT NULL PRIMARY KEY,
  page_id      TEXT    NOT NULL REFERENCES page (id),
  position     INTEGER NOT NULL,
  kind         TEXT    NOT NULL,
  words        TEXT    NOT NULL,
  -- Counts up with every change of the words, so that two tabs can't overwrite each other unseen.
  revision     INTEGER NOT NULL,
  kept_take_id TEXT    REFERENCES take (id),
  removed_at   BIGINT
);
CREATE INDEX line_by_page ON line (page_id, position);

CREATE TABLE recording (
  id          TEXT    NOT NULL PRIMARY KEY,
  line_id     TEXT   NOT NULL REFERENCES line (id),
  -- The words of the line when the recording began.
  words       TEXT   NOT NULL,
  media_type  TEXT   NOT NULL,
  -- open: chunks come in; sealed: all of it is in the media store; taken, refused: the verdict; discarded: thrown away.
  state       TEXT   NOT NULL CHECK (state IN ('open', 'sealed', 'taken', 'refused', 'discarded')),
  file_name   TEXT,
  raw_hash    TEXT,
  refusal     TEXT,
  duration_ms BIGINT,
  started_at  BIGINT NOT NULL,
  changed_at  BIGINT NOT NULL
);
CREATE INDEX recording_by_line ON recording (line_id, state);

CREATE TABLE take (
  id            TEXT    NOT NULL PRIMARY KEY,
  line_id       TEXT    NOT NULL REFERENCES line (id),
  recording_id  TEXT    NOT NULL UNIQUE REFERENCES recording (id),
  words         TEXT    NOT NULL,
  original_hash TEXT    NOT NULL,
  sound_hash    TEXT    NOT NULL,
  duration_ms   BIGINT  NOT NULL,
  trim_start_ms BIGINT  NOT NULL,
  trim_end_ms   BIGINT  NOT NULL,
  gain_db       DOUBLE  NOT NULL,
  loudness_lufs DOUBLE  NOT NULL,
  peaks         BLOB    NOT NULL,
  truncated     BOOLEAN NOT NULL,
  created_at    BIGINT  NOT NULL
);
CREATE INDEX take_by_line ON take (line_id, created_at);
CREATE INDEX take_by_sound ON take (sound_hash);

CREATE TABLE lesson_link (
  id           TEXT    NOT NULL PRIMARY KEY,
  lesson_id    TEXT   NOT NULL REFERENCES lesson (id),
  token        TEXT   NOT NULL UNIQUE,
  created_at   BIGINT NOT NULL,
  withdrawn_at BIGINT
);
CREATE INDEX lesson_link_by_lesson ON lesson_link (lesson_id, withdrawn_at);

-- The tables of Spring Session JDBC, as its own schema for SQLite has them.
CREATE TABLE SPRING_SESSION (
  PRIMARY_ID            CHARACTER(36) NOT NULL,
  SESSION_ID            CHARACTER(36) NOT NULL,
  CREATION_TIME         INTEGER NOT NULL,
  LAST_ACCESS_TIME      INTEGER NOT NULL,
  MAX_INACTIVE_INTERVAL INTEGER NOT NULL,
  EXPIRY_TIME           INTEGER NOT NULL,
  PRINCIPAL_NAME        VARCHAR(100),
  CONSTRAINT SPRING_SESSION_PK PRIMARY KEY (PRIMARY_ID)
);
CREATE UNIQUE INDEX SPRING_SESSION_IX1 ON SPRING_SESSION (SESSION_ID);
CREATE INDEX SPRING_SESSION_IX2 ON SPRING_SESSION (EXPIRY_TIME);
CREATE INDEX SPRING_SESSION_IX3 ON SPRING_SESSION (PRINCIPAL_NAME);
CREATE TABLE SPRING_SESSION_ATTRIBUTES (
  SESSION_PRIMARY_ID CHAR(36) NOT NULL,
  ATTRIBUTE_NAME     VARCHAR(200) NOT NULL,
  ATTRIBUTE_BYTES    BLOB NOT NULL,
  CONSTRAINT SPRING_SESSION_ATTRIBUTES_PK PRIMARY KEY (SESSION_PRIMARY_ID, ATTRIBUTE_NAME),
  CONSTRAINT SPRING_SESSION_ATTRIBUTES_FK FOREIGN KEY (SESSION_PRIMARY_ID) REFERENCES SPRING_SESSION (PRIMARY_ID) ON DELETE CASCADE
);
