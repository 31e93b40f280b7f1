-- Mails of the business's mailbox, each read once: the box with its UIDVALIDITY, and the number of the
-- mail in it (RFC 9051, 2.3.1.1); by its Message-ID where the box is numbered anew.
CREATE TABLE mail_read (
  id INTEGER PRIMARY KEY,
  mailbox TEXT NOT NULL,
  uid INTEGER NOT NULL,
  message_id TEXT,
  from_address TEXT NOT NULL,
  subject TEXT NOT NULL,
  on_day TEXT NOT NULL,
  became TEXT NOT NULL CHECK (became IN ('files', 'report', 'reply', 'left')),
  words TEXT NOT NULL,
  customer_id INTEGER REFERENCES customer (id),
  UNIQUE (mailbox, uid)
) STRICT;
CREATE INDEX mail_read_message ON mail_read (message_id) WHERE message_id IS NOT NULL;
