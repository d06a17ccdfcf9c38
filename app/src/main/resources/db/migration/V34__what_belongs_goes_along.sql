-- What belongs to something goes with it, and what only names it forgets the name. Lessons, pages,
-- lines and takes, assignments and responses don't go by themselves: what is in them is looked at first, and its files go too.
-- A reference can't be altered; SQLite's own way is to write it into the schema (https://sqlite.org/lang_altertable.html, 7).
PRAGMA writable_schema = ON;

UPDATE sqlite_schema SET sql = replace(sql, 'REFERENCES take (id)', 'REFERENCES take (id) ON DELETE CASCADE')
 WHERE type = 'table' AND name IN ('take_finding', 'take_edits', 'take_word_times');

UPDATE sqlite_schema SET sql = replace(sql, 'REFERENCES take (id)', 'REFERENCES take (id) ON DELETE SET NULL')
 WHERE type = 'table' AND name IN ('split_line', 'batch_file');

UPDATE sqlite_schema SET sql = replace(sql, 'REFERENCES line (id)', 'REFERENCES line (id) ON DELETE CASCADE')
 WHERE type = 'table' AND name IN ('split_line', 'paper_sound', 'hint_asked', 'prompt_line', 'heard_line', 'link', 'spoken');

UPDATE sqlite_schema SET sql = replace(sql, 'REFERENCES long_recording (id)', 'REFERENCES long_recording (id) ON DELETE CASCADE')
 WHERE type = 'table' AND name IN ('split_line');

UPDATE sqlite_schema SET sql = replace(sql, 'REFERENCES line (id)', 'REFERENCES line (id) ON DELETE SET NULL')
 WHERE type = 'table' AND name IN ('batch_file', 'remark', 'line', 'rotation');

UPDATE sqlite_schema SET sql = replace(sql, 'REFERENCES page (id)', 'REFERENCES page (id) ON DELETE SET NULL')
 WHERE type = 'table' AND name IN ('batch_file', 'paper_page', 'long_recording');

UPDATE sqlite_schema SET sql = replace(sql, 'REFERENCES long_recording (id)', 'REFERENCES long_recording (id) ON DELETE SET NULL')
 WHERE type = 'table' AND name IN ('batch_file');

UPDATE sqlite_schema SET sql = replace(sql, 'REFERENCES file_batch (id)', 'REFERENCES file_batch (id) ON DELETE CASCADE')
 WHERE type = 'table' AND name IN ('batch_file');

UPDATE sqlite_schema SET sql = replace(sql, 'REFERENCES paper (id)', 'REFERENCES paper (id) ON DELETE CASCADE')
 WHERE type = 'table' AND name IN ('paper_page', 'paper_sound');

UPDATE sqlite_schema SET sql = replace(sql, 'REFERENCES assignment (id)', 'REFERENCES assignment (id) ON DELETE CASCADE')
 WHERE type = 'table' AND name IN ('heard_line', 'visit', 'assignment_to');

UPDATE sqlite_schema SET sql = replace(sql, 'REFERENCES page (id)', 'REFERENCES page (id) ON DELETE CASCADE')
 WHERE type = 'table' AND name IN ('link', 'page_source');

UPDATE sqlite_schema SET sql = replace(sql, 'REFERENCES lesson (id)', 'REFERENCES lesson (id) ON DELETE CASCADE')
 WHERE type = 'table' AND name IN ('link', 'rotation', 'long_recording', 'file_batch', 'paper', 'on_desk', 'lesson_member', 'lesson_settings', 'script_change', 'stage_picture');

UPDATE sqlite_schema SET sql = replace(sql, 'REFERENCES link (token)', 'REFERENCES link (token) ON DELETE CASCADE')
 WHERE type = 'table' AND name IN ('link_use');

UPDATE sqlite_schema SET sql = replace(sql, 'REFERENCES answer (id)', 'REFERENCES answer (id) ON DELETE CASCADE')
 WHERE type = 'table' AND name IN ('remark', 'overruling', 'answer_note', 'rubric_mark');

UPDATE sqlite_schema SET sql = replace(sql, 'REFERENCES response (id)', 'REFERENCES response (id) ON DELETE CASCADE')
 WHERE type = 'table' AND name IN ('answer', 'answer_picture', 'spoken');

UPDATE sqlite_schema SET sql = replace(sql, 'REFERENCES student (id)', 'REFERENCES student (id) ON DELETE CASCADE')
 WHERE type = 'table' AND name IN ('heard_line', 'visit', 'assignment_to', 'group_student', 'student_sign_in', 'student_device', 'accommodation_here', 'accommodation', 'class_student');

UPDATE sqlite_schema SET sql = replace(sql, 'REFERENCES class_group (id)', 'REFERENCES class_group (id) ON DELETE CASCADE')
 WHERE type = 'table' AND name IN ('assignment_to', 'group_student');

UPDATE sqlite_schema SET sql = replace(sql, 'REFERENCES school_class (id)', 'REFERENCES school_class (id) ON DELETE CASCADE')
 WHERE type = 'table' AND name IN ('student_sign_in', 'class_student', 'class_group', 'class_teacher', 'substitute', 'link', 'assignment');

PRAGMA writable_schema = RESET;

-- Other connections read the schema anew when one of its tables changes.
CREATE TABLE schema_is_new (id INTEGER);
DROP TABLE schema_is_new;
