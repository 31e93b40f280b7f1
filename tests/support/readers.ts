import { readTypedDay, parseDay, day } from "@/core/calendar";
import { decodeText, formatOf, guessKind, guessMapping } from "@/core/formats";
import { emailAddresses, maskedNumbers, textProblem } from "@/core/gate";
import { NumberIndex } from "@/core/matching";
import { currencyOf, minor, parseAmount, type Currency } from "@/core/money";
import { readReturnedMail } from "@/server/overdue/returnedMail";

const USD = currencyOf("USD") as Currency;
const ITEMS = ["INV-20431", "INV-20432", "20500", "S/2026/0007", "CN-77"].map((number, at) => ({
  id: at + 1,
  number,
  customerId: at + 1,
  kind: "invoice" as const,
  issuedOn: day("2026-10-01"),
  dueOn: day("2026-10-31"),
  currency: USD,
  total: minor(10_000 + at),
  balance: minor(10_000 + at),
  poNumber: "PO-9",
  terms: null,
}));

/** A table whatever its form; its kind and mapping guessed as they are for a file that comes in. */
function readFile(text: string): void {
  const decoded = decodeText(Buffer.from(text));
  if (!decoded.ok) return;
  const format = formatOf(decoded.value);
  format.masked(decoded.value);
  const table = format.read(decoded.value);
  if (table.ok) guessMapping(table.value, guessKind(table.value));
}

/** Everything that meets foreign text, by what it reads. */
export const READERS: Readonly<Record<string, (text: string) => unknown>> = {
  file: readFile,
  "file with a header": (text) => readFile(`Id,Type,Date,Gross,Fee,Payer,Memo\n${text}`),
  "ACH file": (text) => readFile(`101 ${text}`),
  memo: (text) => new NumberIndex(ITEMS as never).read(text),
  sum: (text) => [".", ","].map((mark) => parseAmount(text, mark as ".", USD)),
  day: (text) => [parseDay(text, "mdy"), readTypedDay(text, day("2026-11-24"))],
  addresses: emailAddresses,
  "numbers to mask": maskedNumbers,
  text: (text) => textProblem(text),
  mail: (text) => readReturnedMail("m.eml", Buffer.from(text)),
};
