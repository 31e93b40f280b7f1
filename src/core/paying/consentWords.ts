const ENDING: Readonly<Record<string, string>> = {
  en: "ending in",
  es: "terminada en",
  fr: "finissant par",
  de: "endet auf",
};

/** A card or account as its owner knows it. @example methodInWords("en", face) // Visa ending in 1111 */
export const methodInWords = (
  language: string,
  { name, lastFour }: { name: string; lastFour: string },
): string => `${name} ${ENDING[language] ?? "ending in"} ${lastFour}`;

/** What a customer agrees to, in its language: who takes what from where, when, until when. */
const WORDS: Readonly<Record<string, (business: string, method: string) => string>> = {
  en: (business, method) =>
    `I let ${business} take what I owe from ${method} on the day it is due, until I end this. I can end it any day on this page.`,
  es: (business, method) =>
    `Permito que ${business} cobre lo que debo de ${method} el día en que vence, hasta que yo lo termine. Puedo terminarlo cualquier día en esta página.`,
  fr: (business, method) =>
    `Je permets à ${business} de prélever ce que je dois de ${method} le jour de l’échéance, jusqu’à ce que j’y mette fin. Je peux y mettre fin chaque jour sur cette page.`,
  de: (business, method) =>
    `Ich erlaube ${business}, was ich schulde, am Tag der Fälligkeit von ${method} abzubuchen, bis ich es beende. Ich kann es jeden Tag auf dieser Seite beenden.`,
};

/** The words of a language; English where there are none of it. */
export const consentWords = (language: string, business: string, method: string): string =>
  (WORDS[language] ?? WORDS.en)?.(business, method) ?? "";
