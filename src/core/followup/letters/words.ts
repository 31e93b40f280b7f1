/**
 * Subject and body in a safe template language (Liquid). Fields: customer,
 * business, count, sum, oldest_days, reply_by, table, link (to the
 * account page; empty where the book has no address for it), fee (what is
 * charged with the letter; empty where nothing is), ahead (nothing is late
 * yet). The fields are filled where the letter is made; none but these two may
 * stay empty.
 */
export type LetterTemplate = { readonly subject: string; readonly body: string };
/** What a language says in each tone, and the words of the table. */
export type LetterWords = {
  readonly tones: readonly [LetterTemplate, LetterTemplate, LetterTemplate, LetterTemplate];
  readonly due: string;
  readonly credit: string;
  readonly together: string;
};
