import { type MatchReceipt } from "../types";
import { nameWords, ownDomain } from "./names";

/**
 * What a receipt says of its payer, taken apart once. `cut`: the name as an ACH field carries it,
 * where it may have been cut there.
 */
export type Query = {
  readonly email: string;
  readonly domain: string | null;
  readonly words: readonly string[];
  readonly name: string;
  readonly cut: string;
  readonly capitals: boolean;
  readonly keys: readonly string[];
};

export function queryOf({
  payerName,
  payerEmail,
}: Pick<MatchReceipt, "payerName" | "payerEmail">): Query {
  const email = payerEmail.toLowerCase();
  const words = nameWords(payerName);
  const length = payerName.trim().length;
  return {
    email,
    domain: email === "" ? null : ownDomain(email),
    words,
    name: [...words].sort().join(" "),
    cut: length >= 14 && length <= 16 ? field(payerName) : "",
    capitals: payerName === payerName.toUpperCase(),
    keys: payerKeys(payerName, payerEmail),
  };
}

/** A name as an ACH field carries it: 16 characters, upper case (Nacha file format). */
export function field(name: string): string {
  return name
    .toUpperCase()
    .replace(/[^A-Z0-9 &]/g, "")
    .slice(0, 16)
    .trim();
}

/** By what a payer is known: the address, and the words of the name in their own order. */
export function payerKeys(name: string, email: string): string[] {
  const words = [...nameWords(name)].sort().join(" ");
  return [...(email === "" ? [] : [`@${email.toLowerCase()}`]), ...(words === "" ? [] : [words])];
}
