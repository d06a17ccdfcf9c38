-- At which devices a child came in by the right key before: whatever others press elsewhere, there it opens.
CREATE TABLE student_device (
  student_id  TEXT   NOT NULL REFERENCES student (id),
  -- Of the secret in the device's cookie.
  secret_hash TEXT   NOT NULL,
  at          BIGINT NOT NULL,
  PRIMARY KEY (student_id, secret_hash)
);
