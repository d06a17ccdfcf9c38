-- AFTER_END: after the lesson was over; AFTER_TOLD: after it was told what is right; NULL: neither.
ALTER TABLE answer ADD COLUMN came TEXT;
