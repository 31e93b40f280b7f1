const WORDS: Readonly<Record<string, (business: string, method: string, parts: string) => string>> =
  {
    en: (business, method, parts) =>
      `I let ${business} take these parts from ${method}, each on its day: ${parts}. I can end this any day on this page; then all that is left is due.`,
    es: (business, method, parts) =>
      `Permito que ${business} cobre estas partes de ${method}, cada una en su día: ${parts}. Puedo terminarlo cualquier día en esta página; entonces vence todo lo que quede.`,
    fr: (business, method, parts) =>
      `Je permets à ${business} de prélever ces parts de ${method}, chacune à son jour : ${parts}. Je peux y mettre fin chaque jour sur cette page ; tout ce qui reste est alors dû.`,
    de: (business, method, parts) =>
      `Ich erlaube ${business}, diese Teile von ${method} abzubuchen, jeden an seinem Tag: ${parts}. Ich kann es jeden Tag auf dieser Seite beenden; dann ist alles fällig, was übrig ist.`,
  };

type PlanAgreed = { business: string; method: string; parts: string };

/** What a customer agrees to that pays in parts, in its language; English where there are no words of it. */
export const planWords = (language: string, { business, method, parts }: PlanAgreed): string =>
  (WORDS[language] ?? WORDS.en)?.(business, method, parts) ?? "";
