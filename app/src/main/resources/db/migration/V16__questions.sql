-- How a line that is a question is answered (core.answer.Question, as JSON); NULL: it is heard alone.
ALTER TABLE line ADD COLUMN question TEXT;
-- What a choice is to its question: a right one; of which pair (0: of none).
ALTER TABLE line ADD COLUMN choice_right BOOLEAN NOT NULL DEFAULT FALSE;
ALTER TABLE line ADD COLUMN choice_pair INTEGER NOT NULL DEFAULT 0;
-- A picture of a question or a choice, among those of its lesson (stage_picture); NULL: none.
ALTER TABLE line ADD COLUMN picture_hash TEXT;
-- How its questions are asked (core.answer.AnswerManner, as JSON); NULL: as usual.
ALTER TABLE lesson_settings ADD COLUMN answering TEXT;

-- All that one student hands in of what was given to her.
CREATE TABLE response (
  id            TEXT    NOT NULL PRIMARY KEY,
  assignment_id TEXT    NOT NULL REFERENCES assignment (id),
  student_id    TEXT    NOT NULL REFERENCES student (id),
  begun_at      BIGINT  NOT NULL,
  last_at       BIGINT  NOT NULL,
  handed_in_at  BIGINT,
  UNIQUE (assignment_id, student_id)
);
CREATE INDEX response_by_student ON response (student_id);

-- Everything that was answered, the newest of a question holds: nothing is overwritten.
CREATE TABLE answer (
  -- Made on the child's device: sent twice it is one.
  id          TEXT    NOT NULL PRIMARY KEY,
  response_id TEXT    NOT NULL REFERENCES response (id),
  -- A line; it may be gone by now.
  question_id TEXT    NOT NULL,
  number      INTEGER NOT NULL,
  -- core.answer.Given, as JSON.
  given       TEXT    NOT NULL,
  -- The words that were asked, and those of the choices by their ids, as JSON.
  asked       TEXT    NOT NULL,
  revision    BIGINT  NOT NULL,
  at          BIGINT  NOT NULL,
  -- When it was looked whether it is right: a try.
  tried_at    BIGINT,
  -- What it is worth by the key of when it was last marked.
  points      DOUBLE  NOT NULL DEFAULT 0,
  outcome     TEXT    NOT NULL,
  UNIQUE (response_id, question_id, number)
);

-- What a teacher says an answer is worth, whatever a rule says.
CREATE TABLE overruling (
  answer_id  TEXT   NOT NULL PRIMARY KEY REFERENCES answer (id),
  teacher_id TEXT   NOT NULL REFERENCES teacher (id),
  points     DOUBLE NOT NULL,
  reason     TEXT   NOT NULL,
  at         BIGINT NOT NULL
);

-- Pictures that children answered with.
CREATE TABLE answer_picture (
  response_id TEXT   NOT NULL REFERENCES response (id),
  hash        TEXT   NOT NULL,
  type        TEXT   NOT NULL,
  at          BIGINT NOT NULL,
  PRIMARY KEY (response_id, hash)
);

-- What was said as an answer, or as a part of one: the recording as it is heard.
CREATE TABLE spoken_answer (
  recording_id TEXT   NOT NULL PRIMARY KEY REFERENCES recording (id),
  response_id  TEXT   NOT NULL REFERENCES response (id),
  question_id  TEXT   NOT NULL,
  sound_hash   TEXT   NOT NULL,
  duration_ms  BIGINT NOT NULL,
  peaks        BLOB   NOT NULL,
  at           BIGINT NOT NULL
);
CREATE INDEX spoken_answer_by_response ON spoken_answer (response_id);

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
UNION ALL SELECT hash, 'answer_picture', response_id FROM answer_picture;
