import type { Language, LetterTemplate } from "@/core/followup";

import type { Db } from "./connection";

/** The book's own words for a tone in a language; ladder 0 is for every ladder. */
export type WordingRow = LetterTemplate & { ladderId: number; tone: number; language: Language };

export function wordings(db: Db): WordingRow[] {
  return db.all<WordingRow>(
    "SELECT ladder_id AS ladderId, tone, language, subject, body FROM wording ORDER BY ladder_id, tone, language",
  );
}

/**
 * What a ladder's letter of a tone says: the ladder's own words, else the book's; undefined where
 * both take the ones that ship.
 */
export function wordingFor(
  db: Db,
  ladderId: number,
  tone: number,
  language: Language,
): LetterTemplate | undefined {
  return db.get<LetterTemplate>(
    "SELECT subject, body FROM wording WHERE ladder_id IN (0, ?) AND tone = ? AND language = ? ORDER BY ladder_id DESC LIMIT 1",
    ladderId,
    tone,
    language,
  );
}

export function setWording(db: Db, row: WordingRow): void {
  db.run(
    "INSERT INTO wording (ladder_id, tone, language, subject, body) VALUES (?, ?, ?, ?, ?) ON CONFLICT (ladder_id, tone, language) DO UPDATE SET subject = excluded.subject, body = excluded.body",
    row.ladderId,
    row.tone,
    row.language,
    row.subject,
    row.body,
  );
}

export function deleteWording(db: Db, ladderId: number, tone: number, language: Language): boolean {
  return (
    db.run(
      "DELETE FROM wording WHERE ladder_id = ? AND tone = ? AND language = ?",
      ladderId,
      tone,
      language,
    ).changes > 0
  );
}
