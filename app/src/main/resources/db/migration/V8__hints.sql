-- How often students asked for a hint.
CREATE TABLE hint_asked (
  line_id TEXT    NOT NULL PRIMARY KEY REFERENCES line (id),
  times   INTEGER NOT NULL
);
