-- The slide that a page was made of: when the lesson goes out as slides, it goes out as that one.
CREATE TABLE page_slide (
  page_id   TEXT    NOT NULL PRIMARY KEY REFERENCES page (id),
  -- A PPTX.
  deck_hash TEXT    NOT NULL,
  number    INTEGER NOT NULL
);
INSERT INTO page_slide
SELECT paper_page.page_id, paper.raw_hash, paper_page.number
FROM paper_page JOIN paper ON paper.id = paper_page.paper_id
WHERE paper_page.page_id IS NOT NULL AND lower(paper.file_name) LIKE '%.pptx';

-- Whether a teacher mended the times: then they aren't found anew.
ALTER TABLE word_times ADD COLUMN mended BOOLEAN NOT NULL DEFAULT FALSE;

-- The standing lines in which a teacher says herself what a student's page says.
CREATE TABLE prompt_line (
  teacher_id TEXT NOT NULL REFERENCES teacher (id),
  prompt     TEXT NOT NULL,
  line_id    TEXT NOT NULL REFERENCES line (id),
  PRIMARY KEY (teacher_id, prompt)
);
