-- When each word of a line is said in a sound. The sound is named by its content, so a changed sound has times of its own.
CREATE TABLE word_times (
  sound_hash TEXT NOT NULL,
  words      TEXT NOT NULL,
  -- The words in order with their times (JSON).
  times      TEXT NOT NULL,
  PRIMARY KEY (sound_hash, words)
);
