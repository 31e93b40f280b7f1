-- What a customer says of an invoice: a question, or that it does not agree; and of which of its lines.
ALTER TABLE question ADD COLUMN kind TEXT NOT NULL DEFAULT 'question' CHECK (kind IN ('question', 'dispute'));
ALTER TABLE question_words ADD COLUMN line TEXT;
