-- A picture in place of words (core.remark.Stamp); NULL: none.
ALTER TABLE remark ADD COLUMN stamp TEXT;
