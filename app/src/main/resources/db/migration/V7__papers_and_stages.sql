-- A file of pages that is brought into a lesson.
CREATE TABLE paper (
  id         TEXT    NOT NULL PRIMARY KEY,
  lesson_id  TEXT    NOT NULL REFERENCES lesson (id),
  file_name  TEXT    NOT NULL,
  raw_hash   TEXT    NOT NULL,
  -- arrived: to be read; read: to be looked over; taken: its pages are in the lesson; refused, cancelled: they won't be.
  state      TEXT    NOT NULL CHECK (state IN ('arrived', 'read', 'taken', 'refused', 'cancelled')),
  refusal    TEXT,
  arrived_at BIGINT  NOT NULL,
  away_at    BIGINT
);
CREATE INDEX paper_by_lesson ON paper (lesson_id, arrived_at);

CREATE TABLE paper_page (
  paper_id     TEXT    NOT NULL REFERENCES paper (id),
  number       INTEGER NOT NULL,
  width        INTEGER NOT NULL,
  height       INTEGER NOT NULL,
  picture_hash TEXT,
  picture_type TEXT,
  -- The lines as they are proposed now (JSON), and how they were before each change, newest last.
  proposal     TEXT    NOT NULL,
  earlier      TEXT    NOT NULL,
  -- Sounds, jumps and links that the file has on it (JSON).
  parts        TEXT    NOT NULL,
  wanted       BOOLEAN NOT NULL,
  -- The page of the lesson that was made of it.
  page_id      TEXT    REFERENCES page (id),
  PRIMARY KEY (paper_id, number)
);

-- A sound of the file that is still to become a take.
CREATE TABLE paper_sound (
  paper_id TEXT    NOT NULL REFERENCES paper (id),
  number   INTEGER NOT NULL,
  line_id  TEXT    NOT NULL REFERENCES line (id),
  name     TEXT    NOT NULL,
  raw_hash TEXT    NOT NULL,
  PRIMARY KEY (paper_id, number)
);

-- What is placed on a page: every version that it had since it was made, so that any change can be taken back.
CREATE TABLE stage_version (
  page_id TEXT    NOT NULL REFERENCES page (id),
  number  INTEGER NOT NULL,
  things  TEXT    NOT NULL,
  PRIMARY KEY (page_id, number)
);
CREATE TABLE stage (
  page_id TEXT    NOT NULL PRIMARY KEY REFERENCES page (id),
  -- The version that holds.
  version INTEGER NOT NULL
);

-- Width and height of a page's picture, as its file has them; NULL: asked of the picture.
ALTER TABLE page ADD COLUMN width INTEGER;
ALTER TABLE page ADD COLUMN height INTEGER;
