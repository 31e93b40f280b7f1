import { plainWords } from "@/core/formats";

import { type Columns, ENOUGH, type Sheet, type Sums } from "./sheet";

/** What is left of an invoice after what was paid is what is open of it, whatever the columns are called. */
export function invoiceProof(sheet: Sheet): Columns | null {
  const [total, paid, balance] = ["total", "paid", "balance"].map((field) => sheet.of(field));
  if (!paid) return withoutPaid(sheet, total ?? null, balance ?? null);
  const isLeft = (whole: Sums, left: Sums): boolean =>
    whole.length >= ENOUGH &&
    paid.some((sum) => sum !== null && sum !== 0) &&
    whole.every((sum, at) => {
      const rest = Math.abs(sum ?? 0) - Math.abs(paid[at] ?? 0);
      return rest === (left[at] ?? 0) || (sum !== null && sum < 0 && -rest === left[at]);
    });
  const free = sheet.free();
  if (total) {
    if (balance) return null;
    const left = free.find((head) => isLeft(total, sheet.under(head)));
    return left === undefined ? null : { balance: left };
  }
  // What is called due may be what was made out, where another column is what is left of it.
  const left = balance && free.find((head) => isLeft(balance, sheet.under(head)));
  const due = sheet.columns.balance;
  return left === undefined || left === null || due === undefined
    ? null
    : { total: due, balance: left };
}

const withoutPaid = (sheet: Sheet, total: Sums | null, balance: Sums | null): Columns | null =>
  isDiscounted(sheet, total, balance) ? { balance: "" } : withTax(sheet, total, balance);

/** Of a sum without its tax, the column that holds both: what was made out. */
function withTax(sheet: Sheet, total: Sums | null, balance: Sums | null): Columns | null {
  const tax = sheet.of("tax");
  if (!total || !tax || balance || !tax.some((sum) => sum !== null && sum !== 0)) return null;
  const isBoth = (whole: Sums): boolean =>
    whole.length >= ENOUGH &&
    whole.every((sum, at) => sum !== null && sum === (total[at] ?? 0) + (tax[at] ?? 0));
  const both = sheet.free().find((head) => isBoth(sheet.under(head)));
  return both === undefined ? null : { total: both };
}

const DISCOUNT = /\b(?:discount|disc|skonto|escompte|descuento|sconto|korting)\b/;

/** Whether what is called due is what a discount leaves, for whoever pays in time: all of it is still open. */
function isDiscounted(sheet: Sheet, total: Sums | null, balance: Sums | null): boolean {
  if (!total || !balance) return false;
  return sheet
    .free()
    .filter((head) => DISCOUNT.test(plainWords(head)))
    .some((head) =>
      total.every(
        (sum, at) => (sum ?? 0) - Math.abs(sheet.under(head)[at] ?? 0) === (balance[at] ?? 0),
      ),
    );
}
