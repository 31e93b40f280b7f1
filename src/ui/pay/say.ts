type Facts = { readonly [name: string]: string | number | boolean | null };

/** A sentence with its facts in their places. @example say("Pay {sum}", { sum: "USD 420.00" }) // "Pay USD 420.00" */
export const say = (sentence: string, facts: Facts): string =>
  sentence.replace(/\{(\w+)\}/g, (place, fact: string) => String(facts[fact] ?? place));
