-- How many chunks its sound was put together of; those that come in later are kept until they are asked for.
ALTER TABLE recording ADD COLUMN chunks INTEGER NOT NULL DEFAULT 0;

-- Work that was begun and not ended: when the server dies within, it is done once more, last, and then set aside.
CREATE TABLE begun_work (
  kind     TEXT    NOT NULL,
  id       TEXT    NOT NULL,
  times    INTEGER NOT NULL,
  begun_at BIGINT  NOT NULL,
  PRIMARY KEY (kind, id)
);

-- Times of words that a teacher mended, or that came with a take, belong to that take; those that were found, to the sound.
CREATE TABLE take_word_times (
  take_id TEXT    NOT NULL REFERENCES take (id),
  words   TEXT    NOT NULL,
  times   TEXT    NOT NULL,
  mended  BOOLEAN NOT NULL,
  PRIMARY KEY (take_id, words)
);
INSERT INTO take_word_times
SELECT take.id, word_times.words, word_times.times, TRUE
FROM word_times JOIN take ON take.sound_hash = word_times.sound_hash
WHERE word_times.mended;
DELETE FROM word_times WHERE mended;
ALTER TABLE word_times DROP COLUMN mended;

-- Who is signed in, by the hash of the secret in the browser's cookie. Written when somebody comes or goes, not with each request.
DROP TABLE SPRING_SESSION_ATTRIBUTES;
DROP TABLE SPRING_SESSION;
CREATE TABLE sign_in (
  secret_hash TEXT   NOT NULL PRIMARY KEY,
  teacher_id  TEXT   NOT NULL REFERENCES teacher (id),
  made_at     BIGINT NOT NULL,
  -- About when it was last used; no more often than some minutes.
  seen_at     BIGINT NOT NULL
);
CREATE INDEX sign_in_by_seen ON sign_in (seen_at);

-- Devices from which a teacher signed in: others' wrong guesses don't slow her there.
CREATE TABLE known_device (
  secret_hash TEXT   NOT NULL,
  teacher_id  TEXT   NOT NULL REFERENCES teacher (id),
  known_since BIGINT NOT NULL,
  PRIMARY KEY (secret_hash, teacher_id)
);

-- Counts up with everything that changes what students see or hear of a lesson, here alone.
ALTER TABLE lesson ADD COLUMN revision INTEGER NOT NULL DEFAULT 0;

CREATE VIEW line_heard_in AS
SELECT line.id AS line_id, page.lesson_id
FROM line JOIN page ON page.id = line.page_id
UNION ALL
SELECT line.standing_line_id, page.lesson_id
FROM line JOIN page ON page.id = line.page_id
WHERE line.standing_line_id IS NOT NULL
UNION ALL
SELECT prompt_line.line_id, lesson.id
FROM prompt_line JOIN lesson ON lesson.teacher_id = prompt_line.teacher_id;

CREATE INDEX prompt_line_by_line ON prompt_line (line_id);

CREATE TRIGGER lesson_revises AFTER UPDATE OF title, removed_at ON lesson BEGIN
  UPDATE lesson SET revision = revision + 1 WHERE id = NEW.id;
END;
CREATE TRIGGER page_added_revises AFTER INSERT ON page BEGIN
  UPDATE lesson SET revision = revision + 1 WHERE id = NEW.lesson_id;
END;
CREATE TRIGGER page_changed_revises AFTER UPDATE ON page BEGIN
  UPDATE lesson SET revision = revision + 1 WHERE id IN (NEW.lesson_id, OLD.lesson_id);
END;
CREATE TRIGGER line_added_revises AFTER INSERT ON line BEGIN
  UPDATE lesson SET revision = revision + 1 WHERE id = (SELECT lesson_id FROM page WHERE id = NEW.page_id);
END;
CREATE TRIGGER line_changed_revises AFTER UPDATE ON line BEGIN
  UPDATE lesson SET revision = revision + 1
  WHERE id IN (SELECT lesson_id FROM line_heard_in WHERE line_id = NEW.id)
    OR id = (SELECT lesson_id FROM page WHERE id = OLD.page_id);
END;
CREATE TRIGGER line_removed_revises AFTER DELETE ON line BEGIN
  UPDATE lesson SET revision = revision + 1 WHERE id = (SELECT lesson_id FROM page WHERE id = OLD.page_id);
END;
CREATE TRIGGER take_revises AFTER UPDATE ON take BEGIN
  UPDATE lesson SET revision = revision + 1
  WHERE id IN (SELECT heard.lesson_id FROM line JOIN line_heard_in heard ON heard.line_id = line.id
               WHERE line.kept_take_id = NEW.id);
END;
CREATE TRIGGER stage_set_revises AFTER INSERT ON stage BEGIN
  UPDATE lesson SET revision = revision + 1
  WHERE id IN (NEW.owner_id, (SELECT lesson_id FROM page WHERE id = NEW.owner_id));
END;
CREATE TRIGGER stage_changed_revises AFTER UPDATE ON stage BEGIN
  UPDATE lesson SET revision = revision + 1
  WHERE id IN (NEW.owner_id, (SELECT lesson_id FROM page WHERE id = NEW.owner_id));
END;
CREATE TRIGGER stage_picture_revises AFTER INSERT ON stage_picture BEGIN
  UPDATE lesson SET revision = revision + 1 WHERE id = NEW.lesson_id;
END;
CREATE TRIGGER prompt_set_revises AFTER INSERT ON prompt_line BEGIN
  UPDATE lesson SET revision = revision + 1 WHERE teacher_id = NEW.teacher_id;
END;
CREATE TRIGGER prompt_changed_revises AFTER UPDATE ON prompt_line BEGIN
  UPDATE lesson SET revision = revision + 1 WHERE teacher_id = NEW.teacher_id;
END;
CREATE TRIGGER take_word_times_set_revises AFTER INSERT ON take_word_times BEGIN
  UPDATE lesson SET revision = revision + 1
  WHERE id IN (SELECT heard.lesson_id FROM line JOIN line_heard_in heard ON heard.line_id = line.id
               WHERE line.kept_take_id = NEW.take_id);
END;
CREATE TRIGGER take_word_times_changed_revises AFTER UPDATE ON take_word_times BEGIN
  UPDATE lesson SET revision = revision + 1
  WHERE id IN (SELECT heard.lesson_id FROM line JOIN line_heard_in heard ON heard.line_id = line.id
               WHERE line.kept_take_id = NEW.take_id);
END;
CREATE TRIGGER take_word_times_gone_revises AFTER DELETE ON take_word_times BEGIN
  UPDATE lesson SET revision = revision + 1
  WHERE id IN (SELECT heard.lesson_id FROM line JOIN line_heard_in heard ON heard.line_id = line.id
               WHERE line.kept_take_id = OLD.take_id);
END;
CREATE TRIGGER word_times_revise AFTER INSERT ON word_times BEGIN
  UPDATE lesson SET revision = revision + 1
  WHERE id IN (SELECT heard.lesson_id
               FROM take JOIN line ON line.kept_take_id = take.id JOIN line_heard_in heard ON heard.line_id = line.id
               WHERE take.sound_hash = NEW.sound_hash);
END;
