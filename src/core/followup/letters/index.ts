import { GERMAN } from "./de";
import { ENGLISH } from "./en";
import { SPANISH } from "./es";
import { FRENCH } from "./fr";
import type { LetterTemplate, LetterWords } from "./words";

export const LANGUAGES = ["en", "es", "fr", "de"] as const;
export type { LetterTemplate } from "./words";
export type Language = (typeof LANGUAGES)[number];
/** The tones of a letter, from the first to the last: friendly, plain, firm, final. */
export const TONES = ["friendly", "plain", "firm", "final"] as const;

const WORDS: Record<Language, LetterWords> = { en: ENGLISH, es: SPANISH, fr: FRENCH, de: GERMAN };

/** The letter of a tone (1 to 4) in a language. */
export function letterTemplate(tone: number, language: Language): LetterTemplate {
  const { tones } = WORDS[language];
  return tones[Math.min(Math.max(tone, 1), tones.length) - 1] ?? tones[0];
}

export function tableWords(language: Language): Omit<LetterWords, "tones"> {
  return WORDS[language];
}
