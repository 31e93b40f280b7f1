import { groupedBy } from "../grouped";
import { type Columns, lessSizes, type Sheet } from "./sheet";

/** What makes lines those of one payment, beside what it comes to. */
const OF_PAYMENT = ["trace", "payerName", "paidOn"];

/** What was paid of each invoice is what comes to the payment that its lines are of, whatever its column is called. */
export function adviceProof(sheet: Sheet): Columns | null {
  return paidOfOwed(sheet) ?? paidInAll(sheet);
}

/** What was paid, where a column is what the discounts leave of what was owed: its name may be that of either. */
function paidOfOwed(sheet: Sheet): Columns | null {
  const [owed, discount] = [sheet.of("amount"), sheet.of("discount")];
  if (!owed || !discount || discount.every((sum) => !sum)) return null;
  const left = lessSizes(owed, discount);
  const [only, ...others] = sheet
    .free()
    .filter((head) => left.every((sum, at) => sum === null || sum === sheet.under(head)[at]));
  return only !== undefined && others.length === 0 ? { amount: only } : null;
}

/** What comes to the payment that its lines are of. */
function paidInAll(sheet: Sheet): Columns | null {
  const total = sheet.of("total");
  if (!total || sheet.of("amount")) return null;
  const texts = OF_PAYMENT.map((field) => sheet.texts(field));
  const places = total.map((_, at) => at);
  const payments = [
    ...groupedBy(places, (at) => [total[at], ...texts.map((text) => text[at])].join("\n")).values(),
  ];
  // A sum that is told once for each payment proves nothing of its lines.
  if (!payments.some((lines) => lines.length > 1)) return null;
  const [only, ...others] = sheet.free().filter((head) => {
    const sums = sheet.under(head);
    return payments.every(
      (lines) => lines.reduce((sum, at) => sum + (sums[at] ?? 0), 0) === total[lines[0] ?? 0],
    );
  });
  return only !== undefined && others.length === 0 ? { amount: only } : null;
}
