-- The edits of a take, applied to its untouched original.
CREATE TABLE take_edits (
  take_id       TEXT    NOT NULL PRIMARY KEY REFERENCES take (id),
  -- A list of edits as JSON, in the order in which they were made.
  edits         TEXT    NOT NULL,
  -- How many of them hold; those after were undone and can be made again.
  made          INTEGER NOT NULL,
  -- What was kept of the original before the first edit.
  trim_start_ms BIGINT  NOT NULL,
  trim_end_ms   BIGINT  NOT NULL,
  -- Whether the take sounds as these edits say.
  rendered      BOOLEAN NOT NULL
);
