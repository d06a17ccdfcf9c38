-- What is placed on a page, and on every page of a lesson: its owner is a page or a lesson.
CREATE TABLE staged (
  owner_id TEXT    NOT NULL,
  number   INTEGER NOT NULL,
  things   TEXT    NOT NULL,
  -- The play rule, whether it is an example, and what it does otherwise than the set of every page (JSON).
  manner   TEXT    NOT NULL,
  PRIMARY KEY (owner_id, number)
);
INSERT INTO staged SELECT page_id, number, things, '{}' FROM stage_version;
DROP TABLE stage_version;
ALTER TABLE staged RENAME TO stage_version;

CREATE TABLE held (
  owner_id TEXT    NOT NULL PRIMARY KEY,
  -- The version that holds.
  version  INTEGER NOT NULL
);
INSERT INTO held SELECT page_id, version FROM stage;
DROP TABLE stage;
ALTER TABLE held RENAME TO stage;

-- The pictures that were brought in to be placed on pages of a lesson.
CREATE TABLE stage_picture (
  lesson_id TEXT NOT NULL REFERENCES lesson (id),
  hash      TEXT NOT NULL,
  -- A media type.
  type      TEXT NOT NULL,
  PRIMARY KEY (lesson_id, hash)
);

-- What a direction asks to do, as a picture.
ALTER TABLE line ADD COLUMN icon TEXT;
