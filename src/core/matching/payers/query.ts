import { type MatchReceipt } from "../types";
import { asName, namesIn, nameWords, ownDomain, plainCapitals } from "./names";

/**
 * A name as it was written. `letters`: all of it without spaces, signs and accents, to see whether a
 * longer one begins so; `cut`: whether it may have been cut off where a field ended.
 */
export type NameForm = {
  readonly words: readonly string[];
  readonly name: string;
  readonly letters: string;
  readonly cut: boolean;
};

/** What a receipt says of its payer, taken apart once: the whole name first, then the names that stand in it. */
export type Query = {
  readonly email: string;
  readonly domain: string | null;
  readonly forms: readonly NameForm[];
  readonly keys: readonly string[];
};

export function queryOf({
  payerName,
  payerEmail,
}: Pick<MatchReceipt, "payerName" | "payerEmail">): Query {
  const email = payerEmail.toLowerCase();
  return {
    email,
    domain: email === "" ? null : ownDomain(email),
    forms: [payerName, ...namesIn(payerName)].map(formOf).filter(({ words }) => words.length > 0),
    keys: payerKeys(payerName, payerEmail),
  };
}

/** Fields of banks cut names off at 15 letters at the earliest; what is shorter was written so. */
const SHORTEST_FIELD = 14;

function formOf(written: string): NameForm {
  const words = nameWords(written);
  return {
    words,
    name: [...words].sort().join(" "),
    letters: lettersOf(written),
    cut: written.trim().length >= SHORTEST_FIELD,
  };
}

/**
 * A name by its letters and digits alone. Fields of banks cut it off anywhere: an ACH field at 16
 * characters or 22 (Nacha file format), a wire's line at 35 (SWIFT field 50).
 */
export const lettersOf = (name: string): string =>
  plainCapitals(asName(name))
    .replace(/&|\bAND\b/g, " ")
    .replace(/[^A-Z0-9]/g, "");

/** What a key begins with that stands for all names which begin a longer one. */
export const BEGINS = "~";

export const nameKey = (name: string): string => [...nameWords(name)].sort().join(" ");

/** Whether a receipt's payer may read otherwise once something was learned under these keys. */
export function isTouchedBy(keys: ReadonlySet<string>, name: string, email: string): boolean {
  if (payerKeys(name, email).some((key) => keys.has(key))) return true;
  const forms = [name, ...namesIn(name)].map(lettersOf).filter((letters) => letters !== "");
  return [...keys].some(
    (key) => key.startsWith(BEGINS) && forms.some((letters) => key.startsWith(letters, 1)),
  );
}

/** By what a payer is known: the address, its domains, and the words of the name in their own order. */
export function payerKeys(name: string, email: string): string[] {
  const words = nameKey(name);
  const domains = email === "" ? [] : domainsOf(ownDomain(email.toLowerCase()));
  return [
    ...(email === "" ? [] : [`@${email.toLowerCase()}`]),
    ...domains.map((domain) => `@@${domain}`),
    ...(words === "" ? [] : [words]),
  ];
}

/** A domain and those that it is a part of: mail at `ap.firm.example` is the firm's. */
export function domainsOf(domain: string | null): string[] {
  const labels = (domain ?? "").split(".");
  return labels.slice(0, -1).map((_, at) => labels.slice(at).join("."));
}
