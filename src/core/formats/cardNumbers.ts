/**
 * Digits that are a card number: 15 or 16 of them (spaces or hyphens between
 * groups), beginning as the large card schemes' numbers do, with the check digit
 * of ISO/IEC 7812-1, annex B (Luhn). Trace numbers and invoice numbers do not
 * begin so, or are shorter.
 */
const CANDIDATE =
  /(?<![\dA-Za-z])(?:3[47]\d{2}[ -]?\d{6}[ -]?\d{5}|(?:4\d{3}|5[1-5]\d{2}|2[2-7]\d{2}|6(?:011|5\d{2}))[ -]?\d{4}[ -]?\d{4}[ -]?\d{4})(?![\dA-Za-z])/g;

/** Whether digits pass the check of ISO/IEC 7812-1. @example passesLuhn("4111111111111111") // true */
export function passesLuhn(digits: string): boolean {
  let sum = 0;
  [...digits].reverse().forEach((digit, at) => {
    const doubled = Number(digit) * (at % 2 === 1 ? 2 : 1);
    sum += doubled > 9 ? doubled - 9 : doubled;
  });
  return digits !== "" && sum % 10 === 0;
}

/**
 * A text in which nothing is left of a card number but its last four digits. @example
 * withoutCardNumbers("card 4111 1111 1111 1111") // "card ending in 1111"
 */
export function withoutCardNumbers(text: string): string {
  if (!/\d{4}/.test(text)) return text;
  return text.replace(CANDIDATE, (found) => {
    const digits = found.replace(/\D/g, "");
    return passesLuhn(digits) ? `ending in ${digits.slice(-4)}` : found;
  });
}
