-- Rows that came together, one number after the other, share a row of the trail: a file of 200,000 lines
-- brings 600,000. `digests` holds 32 digits for each number from the first to the last.
CREATE TABLE trail_run (
  command_id INTEGER NOT NULL,
  place TEXT NOT NULL,
  first_id INTEGER NOT NULL,
  last_id INTEGER NOT NULL,
  digests TEXT NOT NULL CHECK (length(digests) = 32 * (last_id - first_id + 1)),
  PRIMARY KEY (command_id, place, first_id)
) STRICT;
CREATE INDEX trail_run_row ON trail_run (place, first_id);
