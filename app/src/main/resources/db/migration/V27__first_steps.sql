-- Whether somebody is led through her first lesson on her desk, until she says that she isn't.
ALTER TABLE teacher ADD COLUMN first_steps BOOLEAN NOT NULL DEFAULT TRUE;
UPDATE teacher SET first_steps = FALSE;
