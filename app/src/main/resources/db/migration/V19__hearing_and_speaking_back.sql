-- What makes a spoken answer hard to hear (core.sound.AnswerCheck, separated by spaces), and the pauses that need not be
-- played, as from-to in ms; NULL: it was not looked at.
ALTER TABLE spoken_answer ADD COLUMN checks TEXT;
ALTER TABLE spoken_answer ADD COLUMN skips TEXT;

-- What a teacher marks at an answer for herself and her colleagues: each her own.
CREATE TABLE answer_note (
  answer_id  TEXT    NOT NULL REFERENCES answer (id),
  teacher_id TEXT    NOT NULL REFERENCES teacher (id),
  flagged    BOOLEAN NOT NULL,
  note       TEXT    NOT NULL,
  at         BIGINT  NOT NULL,
  PRIMARY KEY (answer_id, teacher_id)
);

-- What is said back to an answer, and what the child says to that.
CREATE TABLE remark (
  id          TEXT   NOT NULL PRIMARY KEY,
  answer_id   TEXT   NOT NULL REFERENCES answer (id),
  -- Whoever made it: a teacher, or the child herself.
  teacher_id  TEXT   REFERENCES teacher (id),
  student_id  TEXT   REFERENCES student (id),
  -- Typed, or those of a standing line.
  words       TEXT   NOT NULL,
  -- As it is heard; NULL: it is read alone.
  sound_hash  TEXT,
  duration_ms BIGINT,
  -- Where it belongs (core.remark.RemarkPlace, as JSON); NULL: to the whole answer.
  place       TEXT,
  made_at     BIGINT NOT NULL,
  -- When the child could hear it; NULL: not yet.
  given_at    BIGINT,
  -- When the other side heard or read it.
  met_at      BIGINT,
  removed_at  BIGINT,
  CHECK ((teacher_id IS NULL) <> (student_id IS NULL))
);
CREATE INDEX remark_by_answer ON remark (answer_id);

-- By what answers are judged that no rule can judge: made once, used for many questions.
CREATE TABLE rubric (
  id         TEXT   NOT NULL PRIMARY KEY,
  teacher_id TEXT   NOT NULL REFERENCES teacher (id),
  name       TEXT   NOT NULL,
  -- core.marking.Rubric's criteria, as JSON.
  criteria   TEXT   NOT NULL,
  made_at    BIGINT NOT NULL,
  removed_at BIGINT
);
CREATE INDEX rubric_by_teacher ON rubric (teacher_id, removed_at);
CREATE TABLE question_rubric (
  -- A line; it may be gone by now.
  question_id TEXT NOT NULL PRIMARY KEY,
  rubric_id   TEXT NOT NULL REFERENCES rubric (id)
);
-- The level of an answer by one criterion, as it was when it was given.
CREATE TABLE rubric_mark (
  answer_id  TEXT    NOT NULL REFERENCES answer (id),
  criterion  INTEGER NOT NULL,
  level      INTEGER NOT NULL,
  name       TEXT    NOT NULL,
  words      TEXT    NOT NULL,
  -- A standing line that says the same; NULL: it is read alone.
  sound_hash TEXT,
  teacher_id TEXT    NOT NULL REFERENCES teacher (id),
  at         BIGINT  NOT NULL,
  -- When the child could meet it; NULL: not yet.
  given_at   BIGINT,
  PRIMARY KEY (answer_id, criterion)
);

-- When something of a line was heard first, when all of it was, and how much at most without its end, of a hundred; times counts
-- whole hearings. NULL: never, or before this was written down.
ALTER TABLE heard_line ADD COLUMN first_at BIGINT;
ALTER TABLE heard_line ADD COLUMN whole_at BIGINT;
ALTER TABLE heard_line ADD COLUMN part_percent INTEGER NOT NULL DEFAULT 0;

DROP VIEW media_use;
CREATE VIEW media_use AS
SELECT picture_hash AS hash, 'page' AS kind, id AS owner FROM page WHERE picture_hash IS NOT NULL
UNION ALL SELECT original_hash, 'take', id FROM take
UNION ALL SELECT sound_hash, 'take', id FROM take
UNION ALL SELECT raw_hash, 'recording', id FROM recording WHERE raw_hash IS NOT NULL
UNION ALL SELECT raw_hash, 'long_recording', id FROM long_recording
UNION ALL SELECT flac_hash, 'long_recording', id FROM long_recording WHERE flac_hash IS NOT NULL
UNION ALL SELECT raw_hash, 'batch_file', batch_id FROM batch_file WHERE raw_hash IS NOT NULL
UNION ALL SELECT raw_hash, 'paper', id FROM paper
UNION ALL SELECT picture_hash, 'paper_page', paper_id FROM paper_page WHERE picture_hash IS NOT NULL
UNION ALL SELECT json_extract(sound.value, '$.file'), 'paper_page', paper_id
          FROM paper_page, json_each(paper_page.parts, '$.sounds') AS sound
UNION ALL SELECT raw_hash, 'paper_sound', paper_id FROM paper_sound
UNION ALL SELECT hash, 'stage_picture', lesson_id FROM stage_picture
UNION ALL SELECT file_hash, 'page_source', page_id FROM page_source
UNION ALL SELECT sound_hash, 'spoken_answer', recording_id FROM spoken_answer
UNION ALL SELECT sound_hash, 'remark', id FROM remark WHERE sound_hash IS NOT NULL
UNION ALL SELECT sound_hash, 'rubric_mark', answer_id FROM rubric_mark WHERE sound_hash IS NOT NULL
UNION ALL SELECT hash, 'answer_picture', response_id FROM answer_picture;
