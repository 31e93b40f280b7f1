import type { Language } from "@/core/followup";

import { ENGLISH, type PayWords } from "./payWords";
import { FRENCH } from "./payWordsFrench";
import { GERMAN } from "./payWordsGerman";
import { SPANISH } from "./payWordsSpanish";

export type { PayWords };

export const PAY_WORDS: Readonly<Record<Language, PayWords>> = {
  en: ENGLISH,
  es: SPANISH,
  fr: FRENCH,
  de: GERMAN,
};
