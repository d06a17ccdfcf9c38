-- A take belongs to a line and a voice: a language, or a reader. Of each voice one take is kept on a line.
ALTER TABLE take ADD COLUMN voice TEXT NOT NULL DEFAULT 'main';

CREATE TABLE kept_take (
  line_id TEXT NOT NULL REFERENCES line (id) ON DELETE CASCADE,
  voice   TEXT NOT NULL,
  take_id TEXT NOT NULL REFERENCES take (id),
  PRIMARY KEY (line_id, voice)
) WITHOUT ROWID;
INSERT INTO kept_take SELECT id, 'main', kept_take_id FROM line WHERE kept_take_id IS NOT NULL;
CREATE INDEX kept_take_by_take ON kept_take (take_id);

DROP TRIGGER take_revises;
DROP TRIGGER take_word_times_set_revises;
DROP TRIGGER take_word_times_changed_revises;
DROP TRIGGER take_word_times_gone_revises;
DROP TRIGGER word_times_revise;
DROP INDEX line_by_kept_take;
ALTER TABLE line DROP COLUMN kept_take_id;

-- The lessons in which a take is heard.
CREATE VIEW take_heard_in AS
SELECT kept_take.take_id, heard.lesson_id
FROM kept_take JOIN line_heard_in heard ON heard.line_id = kept_take.line_id;

CREATE TRIGGER kept_take_set_revises AFTER INSERT ON kept_take BEGIN
  UPDATE lesson SET revision = revision + 1 WHERE id IN (SELECT lesson_id FROM line_heard_in WHERE line_id = NEW.line_id);
END;
CREATE TRIGGER kept_take_changed_revises AFTER UPDATE ON kept_take BEGIN
  UPDATE lesson SET revision = revision + 1 WHERE id IN (SELECT lesson_id FROM line_heard_in WHERE line_id = NEW.line_id);
END;
CREATE TRIGGER kept_take_gone_revises AFTER DELETE ON kept_take BEGIN
  UPDATE lesson SET revision = revision + 1 WHERE id IN (SELECT lesson_id FROM line_heard_in WHERE line_id = OLD.line_id);
END;
CREATE TRIGGER take_revises AFTER UPDATE ON take BEGIN
  UPDATE lesson SET revision = revision + 1 WHERE id IN (SELECT lesson_id FROM take_heard_in WHERE take_id = NEW.id);
END;
CREATE TRIGGER take_word_times_set_revises AFTER INSERT ON take_word_times BEGIN
  UPDATE lesson SET revision = revision + 1 WHERE id IN (SELECT lesson_id FROM take_heard_in WHERE take_id = NEW.take_id);
END;
CREATE TRIGGER take_word_times_changed_revises AFTER UPDATE ON take_word_times BEGIN
  UPDATE lesson SET revision = revision + 1 WHERE id IN (SELECT lesson_id FROM take_heard_in WHERE take_id = NEW.take_id);
END;
CREATE TRIGGER take_word_times_gone_revises AFTER DELETE ON take_word_times BEGIN
  UPDATE lesson SET revision = revision + 1 WHERE id IN (SELECT lesson_id FROM take_heard_in WHERE take_id = OLD.take_id);
END;
CREATE TRIGGER word_times_revise AFTER INSERT ON word_times BEGIN
  UPDATE lesson SET revision = revision + 1
  WHERE id IN (SELECT heard.lesson_id FROM take JOIN take_heard_in heard ON heard.take_id = take.id
               WHERE take.sound_hash = NEW.sound_hash);
END;
