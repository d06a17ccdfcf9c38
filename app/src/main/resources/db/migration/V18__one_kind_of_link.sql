-- One kind of link for all that is given out: to a lesson, a page or a line of it, or to the door of a class.
CREATE TABLE kept_use AS SELECT * FROM link_use;
DROP TABLE link_use;
CREATE TABLE any_link (
  token        TEXT   NOT NULL PRIMARY KEY,
  purpose      TEXT   NOT NULL CHECK (purpose IN ('given', 'station', 'paper', 'preview', 'door')),
  lesson_id    TEXT   REFERENCES lesson (id),
  page_id      TEXT   REFERENCES page (id),
  line_id      TEXT   REFERENCES line (id),
  class_id     TEXT   REFERENCES school_class (id),
  -- What is typed in its place.
  typed        TEXT,
  made_at      BIGINT NOT NULL,
  -- From then on it leads nowhere; NULL: never.
  ends_at      BIGINT,
  -- When it opens, from Monday to Friday: minutes of the day, as 450-960; NULL: always.
  hours        TEXT,
  withdrawn_at BIGINT,
  -- The address of the school that was printed with it.
  printed_base TEXT,
  CHECK ((lesson_id IS NULL) <> (class_id IS NULL))
);
INSERT INTO any_link (token, purpose, lesson_id, page_id, line_id, typed, made_at, ends_at, withdrawn_at, printed_base)
SELECT token, purpose, lesson_id, page_id, line_id, typed, made_at, ends_at, withdrawn_at, printed_base FROM link;
INSERT INTO any_link (token, purpose, class_id, typed, made_at, withdrawn_at)
SELECT token, 'door', class_id, word, made_at, withdrawn_at FROM door;
DROP TABLE door;
DROP TABLE link;
ALTER TABLE any_link RENAME TO link;
CREATE INDEX link_by_lesson ON link (lesson_id, purpose, withdrawn_at);
CREATE INDEX link_by_class ON link (class_id, withdrawn_at);
CREATE UNIQUE INDEX link_by_typed ON link (typed);

CREATE TABLE link_use (
  token         TEXT    NOT NULL REFERENCES link (token),
  hour          INTEGER NOT NULL,
  scans         INTEGER NOT NULL,
  plays         INTEGER NOT NULL,
  -- The sum of how far each play was heard, of a hundred.
  heard_percent INTEGER NOT NULL,
  PRIMARY KEY (token, hour)
);
INSERT INTO link_use SELECT * FROM kept_use;
DROP TABLE kept_use;
