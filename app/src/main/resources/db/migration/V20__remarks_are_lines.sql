-- A typed remark is a line of what is said in its class, to be read through like every other; NULL: it is no line of its own.
ALTER TABLE remark ADD COLUMN line_id TEXT REFERENCES line (id);
CREATE INDEX remark_by_line ON remark (line_id);
