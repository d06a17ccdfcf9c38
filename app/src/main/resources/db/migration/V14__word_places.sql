-- Where the words of a line were found on the picture of its page (core.place.WordPlaces); empty: nowhere.
ALTER TABLE line ADD COLUMN word_places TEXT NOT NULL DEFAULT '';
-- Where words light up while they are said (core.lesson.WordsLit).
ALTER TABLE lesson_settings ADD COLUMN words_lit TEXT NOT NULL DEFAULT 'RULER';
