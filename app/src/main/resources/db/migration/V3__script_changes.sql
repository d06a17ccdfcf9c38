-- Changes of a script's shape (lines added, removed, moved, split, joined; takes moved), so that each can be undone.
CREATE TABLE script_change (
  id        INTEGER NOT NULL PRIMARY KEY AUTOINCREMENT,
  lesson_id TEXT    NOT NULL REFERENCES lesson (id),
  deed      TEXT    NOT NULL,
  lines     INTEGER NOT NULL,
  -- The change as JSON: never asked for by its parts, only made again or taken back as a whole.
  change    TEXT    NOT NULL,
  made_at   BIGINT  NOT NULL,
  undone    BOOLEAN NOT NULL
);
CREATE INDEX script_change_by_lesson ON script_change (lesson_id, id);
