/** What a person gets of the letters: they go to it, a copy of them, or nothing. */
export const LETTER_SHARES = ["to", "copy", "none"] as const;
export type LetterShare = (typeof LETTER_SHARES)[number];

/** A person at a customer's; `duty` is what it does there, in their words. Empty where it is not known. */
export type ContactPerson = {
  readonly name: string;
  readonly duty: string;
  readonly email: string;
  readonly phone: string;
  readonly letters: LetterShare;
  /** Whether it is the one to call. */
  readonly calls: boolean;
};

/** Whom letters go to, who gets a copy, how they begin, and whom to call. */
export type Reached = {
  readonly to: readonly string[];
  readonly copies: readonly string[];
  readonly greeting: string;
  readonly phone: string | null;
  readonly callee: string;
};

/**
 * How a customer is reached: by its contact persons, and where none of them
 * gets letters or is called, by the address and number that it has itself.
 */
export function reachedBy(
  persons: readonly ContactPerson[],
  customer: { readonly name: string; readonly email: string | null; readonly phone: string | null },
): Reached {
  const to = persons.filter(({ letters }) => letters === "to");
  const copies = persons.filter(({ letters }) => letters === "copy").map(({ email }) => email);
  const names = to.map(({ name }) => name).filter((name) => name !== "");
  const called =
    persons.find(({ calls, phone }) => calls && phone !== "") ??
    persons.find(({ phone }) => phone !== "");
  const addresses = addressesOf(to, customer);
  return {
    to: [...new Set(addresses)],
    copies: [...new Set(copies)].filter((name) => !addresses.includes(name)),
    greeting: names.length > 0 ? names.join(", ") : customer.name,
    phone: called?.phone ?? customer.phone,
    callee: called?.name ?? "",
  };
}

function addressesOf(
  to: ContactPerson[],
  customer: { readonly name: string; readonly email: string | null; readonly phone: string | null },
): string[] {
  if (to.length > 0) return to.map(({ email }) => email);
  if (customer.email === null) return [];
  return [customer.email];
}
