-- A recording made elsewhere that holds many lines of a lesson.
CREATE TABLE long_recording (
  id          TEXT   NOT NULL PRIMARY KEY,
  lesson_id   TEXT   NOT NULL REFERENCES lesson (id),
  -- The page whose lines it holds; NULL: the whole script.
  page_id     TEXT   REFERENCES page (id),
  file_name   TEXT   NOT NULL,
  raw_hash    TEXT   NOT NULL,
  -- arrived: on the disk, not listened to yet; split: its lines are found; refused: there is no sound to split.
  state       TEXT   NOT NULL CHECK (state IN ('arrived', 'split', 'refused')),
  refusal     TEXT,
  duration_ms BIGINT,
  -- All of it as FLAC, mono at 48 kHz.
  flac_hash   TEXT,
  outline     BLOB,
  -- Stretches of speech, and what the teacher should look at, as JSON: only ever asked for as a whole.
  pieces      TEXT,
  findings    TEXT,
  arrived_at  BIGINT NOT NULL,
  put_away_at BIGINT
);
CREATE INDEX long_recording_by_lesson ON long_recording (lesson_id, arrived_at);

CREATE TABLE split_line (
  long_recording_id TEXT    NOT NULL REFERENCES long_recording (id),
  line_id           TEXT    NOT NULL REFERENCES line (id),
  position          INTEGER NOT NULL,
  -- The words that were looked for.
  words             TEXT    NOT NULL,
  -- As it is taken; NULL: not in the recording.
  start_ms          BIGINT,
  end_ms            BIGINT,
  -- As the program found it, so that the teacher can go back.
  found_start_ms    BIGINT,
  found_end_ms      BIGINT,
  confidence        DOUBLE  NOT NULL,
  -- Whether the teacher said where it is.
  placed            BOOLEAN NOT NULL,
  -- Whether the teacher wants it as a take.
  wanted            BOOLEAN NOT NULL,
  take_id           TEXT    REFERENCES take (id),
  refusal           TEXT,
  PRIMARY KEY (long_recording_id, line_id)
);
CREATE INDEX split_line_wanted ON split_line (wanted, take_id);

-- Files that were dropped together, to be matched to lines or pages.
CREATE TABLE file_batch (
  id          TEXT   NOT NULL PRIMARY KEY,
  lesson_id   TEXT   NOT NULL REFERENCES lesson (id),
  begun_at    BIGINT NOT NULL,
  put_away_at BIGINT
);
CREATE INDEX file_batch_by_lesson ON file_batch (lesson_id, begun_at);

CREATE TABLE batch_file (
  batch_id          TEXT    NOT NULL REFERENCES file_batch (id),
  number            INTEGER NOT NULL,
  file_name         TEXT    NOT NULL,
  -- NULL: it is no sound, and nothing of it was kept.
  raw_hash          TEXT,
  duration_ms       BIGINT,
  -- Why it is no take: as it came in, or as it was taken.
  refusal           TEXT,
  -- Whether the teacher said where it belongs; otherwise its name tells.
  chosen            BOOLEAN NOT NULL,
  line_id           TEXT    REFERENCES line (id),
  page_id           TEXT    REFERENCES page (id),
  wanted            BOOLEAN NOT NULL,
  take_id           TEXT    REFERENCES take (id),
  -- A file of a page with several lines is split over them.
  long_recording_id TEXT    REFERENCES long_recording (id),
  PRIMARY KEY (batch_id, number)
);
