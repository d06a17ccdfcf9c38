-- When a code opens, from Monday to Friday: minutes of the day, as 450-960; null: always.
ALTER TABLE link ADD COLUMN hours TEXT;
