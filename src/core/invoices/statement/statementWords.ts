import { GERMAN } from "./de";
import { ENGLISH } from "./en";
import { SPANISH } from "./es";
import { FRENCH } from "./fr";
import type { StatementWords } from "./words";

const WORDS: Readonly<Record<string, StatementWords>> = {
  en: ENGLISH,
  es: SPANISH,
  fr: FRENCH,
  de: GERMAN,
};

/** The words of a language (`de`); English where there are none of it. */
export const statementWords = (language: string | undefined): StatementWords =>
  WORDS[language ?? "en"] ?? ENGLISH;
