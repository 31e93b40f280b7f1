-- An invoice that falls due in parts is an open item for each; this is the invoice's number.
ALTER TABLE open_item ADD COLUMN part_of TEXT;
CREATE INDEX open_item_part ON open_item (part_of) WHERE part_of IS NOT NULL;

-- Every part of a document is found by all of its lines.
DROP TRIGGER item_words_approved;
CREATE TRIGGER item_words_approved AFTER UPDATE OF open_item_id ON document WHEN NEW.open_item_id IS NOT NULL
BEGIN
  INSERT OR REPLACE INTO item_words (rowid, words)
  SELECT i.id, i.number || ' ' || NEW.number || ' ' || coalesce(NEW.po_number, '') || ' ' || coalesce(
    (SELECT group_concat(coalesce(item, '') || ' ' || description, ' ') FROM document_line WHERE document_id = NEW.id), '')
  FROM open_item i WHERE i.id = NEW.open_item_id OR i.part_of = NEW.number;
END;
