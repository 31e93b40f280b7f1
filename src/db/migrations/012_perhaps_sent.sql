-- Letters that somebody has to look after are found without going through all of them.
DROP INDEX letter_waiting;
CREATE INDEX letter_waiting ON letter (delivery) WHERE delivery IN ('queued', 'retry', 'handing', 'perhaps sent');
