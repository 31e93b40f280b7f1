import { isChecked } from "@/core/paying";

/**
 * A card number of the practice world: a form that card schemes publish, with its check digit. The
 * two digits before the last are what its bank answers (00: approved). It has sixteen digits, and
 * begins as a scheme's do.
 * @example practiceCard(7, "51") // a number whose bank has not enough on the account
 */
export function practiceCard(which: number, answer = "00", begins = "4"): string {
  const free = 13 - begins.length;
  const body = `${begins}${String(which).padStart(free, "0").slice(-free)}${answer.padStart(2, "0")}`;
  for (let digit = 0; digit < 10; digit += 1)
    if (isChecked(`${body}${digit}`)) return `${body}${digit}`;
  throw new RangeError("every number has a check digit");
}

/** A routing number that the Federal Reserve publishes as its own (Boston), good for practice. */
export const PRACTICE_ROUTING = "011000015";

/** A bank account whose last two digits are the number of the code it comes back by (00: it does not). */
export const practiceAccount = (which: number, code = "00"): string =>
  `${String(which).padStart(8, "0").slice(-8)}${code}`;
