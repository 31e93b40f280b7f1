import { stringify } from "csv-stringify/sync";

import { addDays, day, type Day } from "@/core/calendar";
import { type Currency, currencyOf, toDecimal } from "@/core/money";

/**
 * The few customers abroad: invoices in their own money, paid by card into an account in EUR, which
 * pays out in dollars at the bank's rate.
 */
const EUR = currencyOf("EUR") as Currency;
const FROM = day("2026-07-31");
const TO = day("2026-11-24");

const PEOPLE = [
  ["X901", "Atelier Brume", "compta@atelierbrume.example"],
  ["X902", "Werkstatt Lindenhof", "buero@lindenhof.example"],
  ["X903", "Moosewillow Clay Guild", "treasurer@moosewillow.example"],
] as const;

type Bill = {
  number: string;
  customer: (typeof PEOPLE)[number];
  issuedOn: Day;
  currency: "EUR" | "CAD";
  total: number;
  paidOn: Day | null;
};
type BillFacts = {
  number: string;
  at: 0 | 1 | 2;
  issuedOn: string;
  total: number;
  paidOn: string | null;
};

const bill = ({ number, at, issuedOn, total, paidOn }: BillFacts): Bill => ({
  number,
  customer: PEOPLE[at],
  issuedOn: day(issuedOn),
  currency: at === 2 ? "CAD" : "EUR",
  total,
  paidOn: paidOn === null ? null : day(paidOn),
});
const BILLS: readonly Bill[] = [
  bill({ number: "EX-301", at: 0, issuedOn: "2026-08-04", total: 64_000, paidOn: "2026-09-01" }),
  bill({ number: "EX-302", at: 1, issuedOn: "2026-08-18", total: 128_500, paidOn: "2026-09-15" }),
  bill({ number: "EX-303", at: 0, issuedOn: "2026-09-08", total: 72_400, paidOn: "2026-10-06" }),
  bill({ number: "EX-304", at: 2, issuedOn: "2026-09-10", total: 93_800, paidOn: null }),
  bill({ number: "EX-305", at: 1, issuedOn: "2026-09-22", total: 118_000, paidOn: "2026-10-27" }),
  bill({ number: "EX-306", at: 0, issuedOn: "2026-10-13", total: 69_900, paidOn: "2026-11-10" }),
  bill({ number: "EX-307", at: 1, issuedOn: "2026-10-27", total: 131_250, paidOn: "2026-11-18" }),
  bill({ number: "EX-308", at: 0, issuedOn: "2026-11-12", total: 58_600, paidOn: null }),
  bill({ number: "EX-309", at: 2, issuedOn: "2026-11-16", total: 41_200, paidOn: null }),
];

/** Made up: they rise and fall a little from week to week. */
export function abroadRates(): { currency: string; onDay: Day; rate: string }[] {
  const weeks: Day[] = [];
  for (let on = FROM; on <= TO; on = addDays(on, 7)) weeks.push(on);
  return [...weeks, day("2026-10-31"), TO].flatMap((onDay, at) => [
    { currency: "EUR", onDay, rate: (1.0791 + 0.0021 * ((at * 5) % 9)).toFixed(4) },
    { currency: "CAD", onDay, rate: (0.7284 + 0.0013 * ((at * 4) % 7)).toFixed(4) },
  ]);
}

/** What a charge from abroad asks the processor for, by the number of its invoice. */
export const chargesAbroad = (
  on: Day,
): { number: string; name: string; email: string; total: number }[] =>
  BILLS.filter(({ paidOn, currency }) => paidOn === on && currency === "EUR").map(
    ({ number, customer, total }) => ({ number, name: customer[1], email: customer[2], total }),
  );

const within = (on: Day, span: { from: Day; to: Day }): boolean => on > span.from && on <= span.to;
const csv = (rows: readonly (readonly string[])[]): string =>
  stringify(
    rows.map((row) => [...row]),
    { record_delimiter: "windows" },
  );
const sum = (amount: number): string => toDecimal(amount, EUR);

export function abroadCustomers(): string {
  return csv([
    ["customer_id", "name", "email", "parent_id"],
    ...PEOPLE.map((entry) => [...entry, ""]),
  ]);
}

export function abroadInvoices(span: { from: Day; to: Day }): string {
  return csv([
    [
      "invoice_number",
      "customer_id",
      "issued_on",
      "due_on",
      "currency",
      "total",
      "balance",
      "tax",
      "po_number",
      "terms",
      "description",
    ],
    ...BILLS.filter(({ issuedOn }) => within(issuedOn, span)).map((bill) => [
      bill.number,
      bill.customer[0],
      bill.issuedOn,
      addDays(bill.issuedOn, 30),
      bill.currency,
      sum(bill.total),
      sum(bill.total),
      "0.00",
      "",
      "n/30",
      "glazes and tools, shipped abroad",
    ]),
  ]);
}
