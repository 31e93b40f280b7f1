import type { FileQuestion } from "@/contracts/arrivals";
import { type InvoiceRecord, plainWords } from "@/core/formats";
import { customerByExternalId, type CustomerRow } from "@/db/customers";
import { alikeByName } from "@/server/customers/queries/alike";
import type { CommandContext } from "@/server/runtime/context";

import { customerKey, NOBODY } from "../steps/customerFinder";

/** What is longer is no name. */
const LONGEST = 200;
/** So many are asked about at once; the others come once these are answered. */
const MOST = 12;

/**
 * Customers whose number is in the book, under a name that is nothing like the one that the list gives
 * beside it: two ledgers may give one number to two customers. Each is asked about once.
 */
export function otherwiseNamed(
  ctx: CommandContext,
  rows: readonly InvoiceRecord[],
  answers: Readonly<Record<string, string>>,
): FileQuestion[] {
  const pairs = new Map<string, { said: string; name: string; lines: number }>();
  for (const { customerId: said, customerName: name } of rows) {
    if (name === null || name.length > LONGEST || answers[customerKey(said)] !== undefined)
      continue;
    const key = `${said}\n${name}`;
    pairs.set(key, { said, name, lines: (pairs.get(key)?.lines ?? 0) + 1 });
  }
  const alike = alikeByName(
    ctx.db,
    [...pairs.values()].map(({ name }) => name),
  );
  const asked = new Set<string>();
  return [...pairs.values()]
    .flatMap((pair) => {
      const own = customerByExternalId(ctx.db, pair.said);
      const meant = alike.get(pair.name) ?? [];
      if (!own || asked.has(pair.said) || isAlike(pair.name, own, meant)) return [];
      asked.add(pair.said);
      return [whoIsMeant(pair, own, meant)];
    })
    .slice(0, MOST);
}

/** Whether a name may be that of a customer: it is like it, or like nobody's and has a word of it. */
function isAlike(name: string, own: CustomerRow, meant: readonly CustomerRow[]): boolean {
  if (meant.length > 0) return meant.some(({ id }) => id === own.id);
  const words = new Set(plainWords(own.name).split(" "));
  return plainWords(name)
    .split(" ")
    .some((word) => word.length >= LONG && words.has(word));
}

/** A shorter word says nothing: the, and, inc. */
const LONG = 4;

const whoIsMeant = (
  { said, name, lines }: { said: string; name: string; lines: number },
  own: CustomerRow,
  meant: readonly CustomerRow[],
): FileQuestion => ({
  key: customerKey(said),
  words: `The file calls ${said} “${name.slice(0, 60)}” (${lines} ${lines === 1 ? "line" : "lines"}), and the customer with that number here is “${own.name}”. Who is meant?`,
  choices: [
    ...[own, ...meant].map((customer) => ({
      answer: customer.externalId,
      result: `${customer.name}, ${customer.externalId}`,
    })),
    { answer: NOBODY, result: "none of these: the lines are refused" },
  ],
});
