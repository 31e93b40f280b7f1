import { maskedNumbers } from "./numbers";

/**
 * Words of the program itself, which are no text: hashes, links, keys, and a processor's tokens
 * (`card_` and 36 hexadecimal digits, of which a dozen in a row may look like a number).
 */
const OWN_WORD = /^(?:[a-z]{2,10}_)?[0-9a-f-]{32,64}$/;

/** The field whose text is nobody's to read: it is neither altered nor hashed. */
const SECRET = "secret";

/** An input as text that may be kept or hashed: without what is secret in it. */
export const withoutSecrets = (input: unknown): string =>
  JSON.stringify(input, (name, part: unknown) => (name === SECRET ? undefined : part)) ?? "";

/** An input with every text in it masked, wherever it stands; its shape stays. */
export function masked<T>(input: T): T {
  return maskedPart(input) as T;
}

function maskedPart(input: unknown): unknown {
  if (typeof input === "string") return OWN_WORD.test(input) ? input : maskedNumbers(input);
  if (Array.isArray(input)) return input.map(maskedPart);
  if (typeof input !== "object" || input === null) return input;
  return Object.fromEntries(
    Object.entries(input).map(([name, part]) => [name, name === SECRET ? part : maskedPart(part)]),
  );
}
