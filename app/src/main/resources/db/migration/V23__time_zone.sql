-- In whose time hours, days and dates are meant (an IANA name); NULL: the machine's.
ALTER TABLE school ADD COLUMN time_zone TEXT;
