-- Mails that brought a document and did not arrive are found without going through all letters.
CREATE INDEX letter_failed ON letter (id)
  WHERE step = 0 AND (delivery >= 'not sent' AND delivery < 'not senu' OR came_back IS NOT NULL);
CREATE INDEX document_way_letter ON document_way (letter_id) WHERE letter_id IS NOT NULL;
