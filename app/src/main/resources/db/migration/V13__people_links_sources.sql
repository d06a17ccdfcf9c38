-- What a recording is for, of what, and who speaks in it. Those of lines become takes.
PRAGMA defer_foreign_keys = ON;
CREATE TABLE recording_before AS SELECT * FROM recording;
DROP TABLE recording;
CREATE TABLE recording (
  id          TEXT    NOT NULL PRIMARY KEY,
  purpose     TEXT    NOT NULL CHECK (purpose IN ('line', 'answer', 'remark', 'notice', 'name')),
  -- What it is of: for a line, the line.
  target_id   TEXT    NOT NULL,
  -- Who speaks: a teacher, or a student.
  speaker_id  TEXT    NOT NULL,
  -- The words that were to be said when it began.
  words       TEXT    NOT NULL,
  media_type  TEXT    NOT NULL,
  -- open: chunks come in; sealed: all of it is in the media store; taken, refused: the verdict; discarded: thrown away.
  state       TEXT    NOT NULL CHECK (state IN ('open', 'sealed', 'taken', 'refused', 'discarded')),
  file_name   TEXT,
  raw_hash    TEXT,
  refusal     TEXT,
  duration_ms BIGINT,
  started_at  BIGINT  NOT NULL,
  changed_at  BIGINT  NOT NULL,
  -- How many chunks its sound was put together of; those that come in later are kept until they are asked for.
  chunks      INTEGER NOT NULL DEFAULT 0
);
CREATE INDEX recording_by_target ON recording (purpose, target_id, state);
CREATE INDEX recording_by_speaker ON recording (speaker_id, state);
INSERT INTO recording
SELECT old.id, 'line', old.line_id, lesson.teacher_id, old.words, old.media_type, old.state, old.file_name, old.raw_hash,
       old.refusal, old.duration_ms, old.started_at, old.changed_at, old.chunks
FROM recording_before old JOIN line ON line.id = old.line_id
JOIN page ON page.id = line.page_id JOIN lesson ON lesson.id = page.lesson_id;
DROP TABLE recording_before;

-- How teachers stand to a lesson: own: it is hers; edit: she works on it too; use: she gives it out as it is.
CREATE TABLE lesson_member (
  lesson_id  TEXT NOT NULL REFERENCES lesson (id),
  teacher_id TEXT NOT NULL REFERENCES teacher (id),
  membership TEXT NOT NULL CHECK (membership IN ('own', 'edit', 'use')),
  PRIMARY KEY (lesson_id, teacher_id)
);
CREATE INDEX lesson_member_by_teacher ON lesson_member (teacher_id, membership);
INSERT INTO lesson_member SELECT id, teacher_id, 'own' FROM lesson;
CREATE TRIGGER lesson_has_owner AFTER INSERT ON lesson BEGIN
  INSERT INTO lesson_member (lesson_id, teacher_id, membership) VALUES (NEW.id, NEW.teacher_id, 'own');
END;

-- What leads to a lesson, or to one page or line of it: several at once, each with what it is for.
CREATE TABLE link (
  token        TEXT   NOT NULL PRIMARY KEY,
  purpose      TEXT   NOT NULL CHECK (purpose IN ('given', 'station', 'paper', 'preview')),
  lesson_id    TEXT   NOT NULL REFERENCES lesson (id),
  page_id      TEXT   REFERENCES page (id),
  line_id      TEXT   REFERENCES line (id),
  made_at      BIGINT NOT NULL,
  -- From then on it leads nowhere; NULL: never.
  ends_at      BIGINT,
  withdrawn_at BIGINT
);
CREATE INDEX link_by_lesson ON link (lesson_id, purpose, withdrawn_at);
INSERT INTO link (token, purpose, lesson_id, made_at, withdrawn_at)
SELECT token, 'given', lesson_id, created_at, withdrawn_at FROM lesson_link;
DROP TABLE lesson_link;

-- Of what a page was made: the page or slide of a file.
CREATE TABLE page_source (
  page_id   TEXT    NOT NULL PRIMARY KEY REFERENCES page (id),
  file_hash TEXT    NOT NULL,
  type      TEXT    NOT NULL CHECK (type IN ('slides', 'pdf', 'picture')),
  number    INTEGER NOT NULL
);
INSERT INTO page_source SELECT page_id, deck_hash, 'slides', number FROM page_slide;
INSERT OR IGNORE INTO page_source
SELECT paper_page.page_id, paper.raw_hash,
       CASE WHEN lower(paper.file_name) LIKE '%.pdf' THEN 'pdf' ELSE 'picture' END, paper_page.number
FROM paper_page JOIN paper ON paper.id = paper_page.paper_id
WHERE paper_page.page_id IS NOT NULL AND lower(paper.file_name) NOT LIKE '%.pptx';
DROP TABLE page_slide;

-- Who uses which file of the media store: told from the rows themselves, so that it is true within every transaction.
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
UNION ALL SELECT file_hash, 'page_source', page_id FROM page_source;

-- What holds for a lesson as a whole; none: as usual.
CREATE TABLE lesson_settings (
  lesson_id    TEXT    NOT NULL PRIMARY KEY REFERENCES lesson (id),
  words_hidden BOOLEAN NOT NULL,
  -- The language of its words (BCP 47).
  lang         TEXT    NOT NULL
);
INSERT INTO lesson_settings
SELECT lesson.id, TRUE, 'en'
FROM lesson JOIN stage ON stage.owner_id = lesson.id
JOIN stage_version ON stage_version.owner_id = stage.owner_id AND stage_version.number = stage.version
WHERE json_extract(stage_version.manner, '$.wordsHidden');
CREATE TRIGGER lesson_settings_set_revises AFTER INSERT ON lesson_settings BEGIN
  UPDATE lesson SET revision = revision + 1 WHERE id = NEW.lesson_id;
END;
CREATE TRIGGER lesson_settings_changed_revises AFTER UPDATE ON lesson_settings BEGIN
  UPDATE lesson SET revision = revision + 1 WHERE id = NEW.lesson_id;
END;

-- The language of a line's words, NULL: that of its lesson; and what stands before its words on paper, such as "3.".
ALTER TABLE line ADD COLUMN lang TEXT;
ALTER TABLE line ADD COLUMN label TEXT;

-- What a line is travels as one thing; changes that can be undone say it so too.
UPDATE script_change SET change = json_set(change, '$.lines', (
  SELECT json_group_array(json(json_set(
    step.value,
    '$.before.traits', json_object(
      'kind', json_extract(step.value, '$.before.kind'), 'icon', json_extract(step.value, '$.before.icon')),
    '$.after.traits', json_object(
      'kind', json_extract(step.value, '$.after.kind'), 'icon', json_extract(step.value, '$.after.icon')))))
  FROM json_each(script_change.change, '$.lines') AS step));

-- How many lines of a page that is looked over are wanted: asked for with each look, and not to be worked out each time.
ALTER TABLE paper_page ADD COLUMN wanted_lines INTEGER NOT NULL DEFAULT 0;
UPDATE paper_page SET wanted_lines = (
  SELECT count(*) FROM json_each(paper_page.proposal, '$.lines') AS line
  WHERE json_extract(line.value, '$.wanted') AND json_extract(line.value, '$.kind') <> 'BLANK'
    AND trim(json_extract(line.value, '$.text')) <> '');

-- When a take was thrown away: it can be put back for a while.
ALTER TABLE take ADD COLUMN removed_at BIGINT;
