-- What was typed or drawn on is one answer: its newest state holds, and of those before it only that they came in is known, so
-- that one which is sent twice isn't taken for a newer one.
CREATE TABLE answer_state (
  id          TEXT   NOT NULL PRIMARY KEY,
  response_id TEXT   NOT NULL REFERENCES response (id) ON DELETE CASCADE,
  at          BIGINT NOT NULL
) WITHOUT ROWID;

CREATE INDEX answer_state_of ON answer_state (response_id, at);
