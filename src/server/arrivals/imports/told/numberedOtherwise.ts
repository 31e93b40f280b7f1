import type { FileQuestion } from "@/contracts/arrivals";
import { type Day, daysBetween } from "@/core/calendar";
import type { InvoiceRecord } from "@/core/formats";
import { groupedBy } from "@/core/readings";
import { openItemNumbers } from "@/db/openItems";
import type { CommandContext } from "@/server/runtime/context";

import { customerFinder } from "../../steps/customerFinder";
import { bareNumber } from "./alikeWords";
import { sameQuestion } from "./sameQuestion";

type Answers = Readonly<Record<string, string>>;

/** A number of another ledger, and the one that the book has for the same. */
export type Renumbered = ReadonlyMap<string, string>;

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
        .filter((item) => item.total === total && isNear(item.issuedOn, issuedOn))
        .find((item) => item.customerId === find(customerId)?.id);
      return twin ? [[number, twin.number] as const] : [];
    }),
  );
}

/** An invoice is written on one day, and made out on another. */
const DAYS_APART = 4;
const isNear = (a: Day, b: Day): boolean => Math.abs(daysBetween(a, b)) <= DAYS_APART;

/** The invoices under the numbers that the book has for them. */
export const underKnownNumbers = (
  rows: readonly InvoiceRecord[],
  renumbered: Renumbered,
): InvoiceRecord[] =>
  rows.map((row) => ({ ...row, number: renumbered.get(row.number) ?? row.number }));

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
  const by =
    what === "invoice"
      ? "of the same customer, day (or near it) and total, under another writing of their number"
      : "by name or e-mail, under another number";
  const where = `${said} here, ${ours} there`;
  return [sameQuestion({ twins: renumbered.size, lines, called: [what, `${what}s`], by, where })];
}
