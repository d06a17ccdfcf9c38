-- What somebody said is one thing, whatever it is for: recorded, kept, judged and heard. What it is of stands in columns of
-- their own: a line and the voice it is said in, or a response and its question.
DROP VIEW media_use;
ALTER TABLE recording RENAME TO spoken;
DROP INDEX recording_by_target;
DROP INDEX recording_by_speaker;

ALTER TABLE spoken ADD COLUMN line_id TEXT REFERENCES line (id);
ALTER TABLE spoken ADD COLUMN voice TEXT;
ALTER TABLE spoken ADD COLUMN response_id TEXT REFERENCES response (id);
ALTER TABLE spoken ADD COLUMN question_id TEXT;
-- As it is heard: the MP3, its outline, what the check of answers found, and what is left out when it is heard quickly. Those of
-- lines are their takes'.
ALTER TABLE spoken ADD COLUMN sound_hash TEXT;
ALTER TABLE spoken ADD COLUMN peaks BLOB;
ALTER TABLE spoken ADD COLUMN checks TEXT;
ALTER TABLE spoken ADD COLUMN skips TEXT;

-- A take that was moved to another line has its recording with it.
UPDATE spoken
SET voice = 'main', line_id = coalesce((SELECT take.line_id FROM take WHERE take.recording_id = spoken.id), target_id)
WHERE purpose = 'line' AND target_id IN (SELECT id FROM line) OR id IN (SELECT recording_id FROM take);
UPDATE spoken
SET response_id = substr(target_id, 1, instr(target_id, ' ') - 1), question_id = substr(target_id, instr(target_id, ' ') + 1)
WHERE purpose IN ('answer', 'remark') AND substr(target_id, 1, instr(target_id, ' ') - 1) IN (SELECT id FROM response);
UPDATE spoken
SET sound_hash = heard.sound_hash, duration_ms = heard.duration_ms, peaks = heard.peaks, checks = heard.checks,
    skips = heard.skips
FROM spoken_answer heard WHERE heard.recording_id = spoken.id;
DROP TABLE spoken_answer;
-- What is of nothing any more was met nowhere.
DELETE FROM spoken WHERE line_id IS NULL AND response_id IS NULL;
ALTER TABLE spoken DROP COLUMN target_id;

CREATE INDEX spoken_by_line ON spoken (line_id, state) WHERE line_id IS NOT NULL;
CREATE INDEX spoken_by_response ON spoken (response_id) WHERE response_id IS NOT NULL;
CREATE INDEX spoken_by_speaker ON spoken (speaker_id, state);
CREATE INDEX spoken_by_state ON spoken (state) WHERE state = 'sealed';

CREATE VIEW media_use AS
SELECT picture_hash AS hash, 'page' AS kind, id AS owner FROM page WHERE picture_hash IS NOT NULL
UNION ALL SELECT original_hash, 'take', id FROM take
UNION ALL SELECT sound_hash, 'take', id FROM take
UNION ALL SELECT raw_hash, 'spoken', id FROM spoken WHERE raw_hash IS NOT NULL
UNION ALL SELECT sound_hash, 'spoken', id FROM spoken WHERE sound_hash IS NOT NULL
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
UNION ALL SELECT sound_hash, 'remark', id FROM remark WHERE sound_hash IS NOT NULL
UNION ALL SELECT sound_hash, 'rubric_mark', answer_id FROM rubric_mark WHERE sound_hash IS NOT NULL
UNION ALL SELECT hash, 'answer_picture', response_id FROM answer_picture;
