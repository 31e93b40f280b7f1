import { readTypedDay, parseDay, day } from "@/core/calendar";
import { kindsOf } from "@/core/readings";
import { decodeText, formatOf, guessMapping } from "@/core/formats";
import { emailAddresses, maskedNumbers, textProblem } from "@/core/gate";
import { type MatchingInput, type MatchReceipt, NumberIndex, propose } from "@/core/matching";
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

const BOOK: MatchingInput = {
  customers: ITEMS.map(({ id }) => ({
    id,
    externalId: `C${id}`,
    name: `Alder ${id} Pottery d/b/a Heron ${id} Studio`,
    email: `pay@alder${id}.example`,
    parentId: null,
  })),
  items: ITEMS,
  receipts: [],
  history: [],
  closed: [],
  placed: [],
  settings: { discountGraceDays: 0, smallDifferenceLimit: 0 },
};
const RECEIPT: MatchReceipt = {
  id: 1,
  paidOn: day("2026-11-20"),
  method: "wire",
  currency: USD,
  amount: minor(10_000),
  payerName: "Alder 1 Pottery",
  payerEmail: "",
  reference: "",
};

/** A table whatever its form; its kind and mapping guessed as they are for a file that comes in. */
function readFile(text: string): void {
  const decoded = decodeText(Buffer.from(text));
  if (!decoded.ok) return;
  const format = formatOf(decoded.value);
  format.masked(decoded.value);
  const table = format.read(decoded.value);
  if (!table.ok) return;
  const { sure, possible } = kindsOf(table.value);
  for (const kind of [...(sure ? [sure] : possible)].slice(0, 1)) guessMapping(table.value, kind);
}

/** Everything that meets foreign text, by what it reads. */
export const READERS: Readonly<Record<string, (text: string) => unknown>> = {
  file: readFile,
  "file with a header": (text) => readFile(`Id,Type,Date,Gross,Fee,Payer,Memo\n${text}`),
  "ACH file": (text) => readFile(`101 ${text}`),
  memo: (text) => new NumberIndex(ITEMS as never).read(text),
  // With all that comes after the memo: what the words tell, who pays, what it could be for.
  receipt: (text) => propose({ ...BOOK, receipts: [{ ...RECEIPT, reference: text }] }),
  "payer's name": (text) => propose({ ...BOOK, receipts: [{ ...RECEIPT, payerName: text }] }),
  sum: (text) => [".", ","].map((mark) => parseAmount(text, mark as ".", USD)),
  day: (text) => [parseDay(text, "mdy"), readTypedDay(text, day("2026-11-24"))],
  addresses: emailAddresses,
  "numbers to mask": maskedNumbers,
  text: (text) => textProblem(text),
  mail: (text) => readReturnedMail("m.eml", Buffer.from(text)),
};
