import type { FileQuestion } from "@/contracts/arrivals";
import { type CustomerRecord, type InvoiceRecord, plainWords } from "@/core/formats";
import { groupedBy } from "@/core/readings";
import { allCustomers, customerByExternalId } from "@/db/customers";
import { openItemNumbers } from "@/db/openItems";
import type { CommandContext } from "@/server/runtime/context";

import { customerFinder } from "../steps/customerFinder";
import { bareNumber } from "./alikeWords";

type Answers = Readonly<Record<string, string>>;

/** A number of another ledger, and the one that the book has for the same. */
type Renumbered = ReadonlyMap<string, string>;

/**
 * Invoices that the book has under another writing of their number, of the same customer, day and total:
 * two programs write one number with and without their letters and zeros.
 */
export function invoicesOfOtherNumbers(
  ctx: CommandContext,
  rows: readonly InvoiceRecord[],
  answers: Answers,
): Renumbered {
  const own = new Set(rows.map(({ number }) => number));
  const items = openItemNumbers(ctx.db);
  const numbers = new Set(items.map(({ number }) => number));
  const byDigits = groupedBy(items, ({ number }) =>
    own.has(number) ? null : bareNumber(number) || null,
  );
  const find = customerFinder(ctx, answers);
  return new Map(
    rows.flatMap(({ number, customerId, issuedOn, total }) => {
      if (numbers.has(number)) return [];
      const twin = (byDigits.get(bareNumber(number)) ?? [])
        .filter((item) => item.issuedOn === issuedOn && item.total === total)
        .find((item) => item.customerId === find(customerId)?.id);
      return twin ? [[number, twin.number] as const] : [];
    }),
  );
}

/** The invoices under the numbers that the book has for them. */
export const underKnownNumbers = (
  rows: readonly InvoiceRecord[],
  renumbered: Renumbered,
): InvoiceRecord[] =>
  rows.map((row) => ({ ...row, number: renumbered.get(row.number) ?? row.number }));

/** Customers of a number that the book does not have, each with its number there. */
type OtherNumbers = {
  /** The book knows their numbers of the other program by now. */
  readonly known: Renumbered;
  /** They are called as one customer of the book, and as no other of the file. */
  readonly open: Renumbered;
};

export function customersOfOtherNumbers(
  ctx: CommandContext,
  rows: readonly CustomerRecord[],
): OtherNumbers {
  const own = new Set(rows.map(({ externalId }) => externalId));
  const counts = namesIn(rows);
  const [named, numbered] = [new Map<string, string>(), new Map<string, string>()];
  for (const { name, externalId, aliases } of allCustomers(ctx.db)) {
    if (own.has(externalId)) continue;
    named.set(plainWords(name), externalId);
    for (const alias of aliases ?? []) numbered.set(alias, externalId);
  }
  const [known, open] = [new Map<string, string>(), new Map<string, string>()];
  for (const { externalId, name } of rows) {
    const plain = plainWords(name);
    const twin = named.get(plain);
    if (twin === undefined || plain === "" || customerByExternalId(ctx.db, externalId)) continue;
    if (numbered.get(externalId) === twin) known.set(externalId, twin);
    else if (counts.get(plain) === 1) open.set(externalId, twin);
  }
  return { known, open };
}

/** How often each name stands in a file. */
function namesIn(rows: readonly CustomerRecord[]): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const { name } of rows) {
    const plain = plainWords(name);
    counts.set(plain, (counts.get(plain) ?? 0) + 1);
  }
  return counts;
}

/** Whether what the book has under other numbers is the same. */
export function numberQuestion(
  what: "invoice" | "customer",
  renumbered: Renumbered,
  lines: number,
  answers: Answers,
): FileQuestion[] {
  const [first] = renumbered;
  if (!first || answers.same !== undefined) return [];
  const [said, ours] = first;
  const { size } = renumbered;
  const why =
    what === "invoice"
      ? "of the same customer, day and total, under another writing of their number"
      : "by name, under another number";
  return [
    {
      key: "same",
      words: `${size} of ${lines} ${what}s stand in the book already ${why} (${said} here, ${ours} there). Are they the same?`,
      choices: [
        { answer: "same", result: `yes: these ${size} are known, and the others are new` },
        { answer: "new", result: `no: all ${lines} are taken in by their numbers` },
      ],
    },
  ];
}
