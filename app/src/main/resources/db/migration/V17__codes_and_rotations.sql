-- What is typed in the place of a code; and the address of the school that was printed with it.
ALTER TABLE link ADD COLUMN typed TEXT;
ALTER TABLE link ADD COLUMN printed_base TEXT;
CREATE UNIQUE INDEX link_by_typed ON link (typed);

-- What a code was used for, by the hour (since 1970): nobody's name.
CREATE TABLE link_use (
  token         TEXT    NOT NULL REFERENCES link (token),
  hour          INTEGER NOT NULL,
  scans         INTEGER NOT NULL,
  plays         INTEGER NOT NULL,
  -- The sum of how far each play was heard, of a hundred.
  heard_percent INTEGER NOT NULL,
  PRIMARY KEY (token, hour)
);

-- Who is at which station when; its stations are the pages of the lesson, in order.
CREATE TABLE rotation (
  lesson_id TEXT    NOT NULL PRIMARY KEY REFERENCES lesson (id),
  -- Names of the groups, one in each row.
  group_names TEXT  NOT NULL,
  minutes   INTEGER NOT NULL,
  rounds    INTEGER NOT NULL,
  signal_line_id TEXT REFERENCES line (id),
  -- The clock, while it runs: the round, when it ends, how long it is, and what was left when it was halted; in ms.
  clock_round   INTEGER,
  clock_ends_at BIGINT,
  clock_length  BIGINT,
  clock_halted  BIGINT
);
