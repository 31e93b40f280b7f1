/** Subject and words of a letter, in a safe template language (Liquid). */
export type LetterTemplate = { readonly subject: string; readonly body: string };

/** Letters by language; English stands in where there are none of one. */
export type LettersByLanguage = Readonly<Record<string, LetterTemplate>> & { en: LetterTemplate };

export const letterIn = (letters: LettersByLanguage, language: string): LetterTemplate =>
  letters[language] ?? letters.en;
