/** A sentence with its facts in their places. @example say("Pay {sum}", { sum: "420.00 USD" }) // "Pay 420.00 USD" */
export const say = (sentence: string, facts: Readonly<Record<string, string>>): string =>
  sentence.replace(/\{(\w+)\}/g, (place, fact: string) => facts[fact] ?? place);
