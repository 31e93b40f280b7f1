-- The words of invoices, to be searched: number, order number, what each line is for.
CREATE VIRTUAL TABLE item_words USING fts5 (
  words, content = '', contentless_delete = 1, tokenize = 'unicode61 remove_diacritics 2'
);
CREATE TRIGGER item_words_opened AFTER INSERT ON open_item
BEGIN
  INSERT INTO item_words (rowid, words)
  VALUES (NEW.id, NEW.number || ' ' || coalesce(NEW.po_number, '') || ' ' || coalesce(NEW.description, ''));
END;
-- A document that is approved is found by all of its lines.
CREATE TRIGGER item_words_approved AFTER UPDATE OF open_item_id ON document WHEN NEW.open_item_id IS NOT NULL
BEGIN
  INSERT OR REPLACE INTO item_words (rowid, words)
  VALUES (NEW.open_item_id, NEW.number || ' ' || coalesce(NEW.po_number, '') || ' ' || coalesce(
    (SELECT group_concat(coalesce(item, '') || ' ' || description, ' ') FROM document_line WHERE document_id = NEW.id), ''));
END;
INSERT INTO item_words (rowid, words)
SELECT i.id, i.number || ' ' || coalesce(i.po_number, '') || ' ' || coalesce(
  (SELECT group_concat(coalesce(l.item, '') || ' ' || l.description, ' ')
   FROM document d JOIN document_line l ON l.document_id = d.id WHERE d.open_item_id = i.id),
  i.description, '')
FROM open_item i;
