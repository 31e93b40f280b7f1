import { day, type Day } from "@/core/calendar";

import { american, csv, sum } from "@/practice/csv";

import { type Span, within } from "./files";
import { type World } from "./types";

/** A debit that was started and has not settled. */
const BEGUN = { invoice: "20630", on: day("2026-11-20") };

const ACH_COLUMNS = [
  "Entry id",
  "Entry type",
  "Date",
  "Settled",
  "Amount",
  "Payer",
  "Email",
  "Memo",
  "For charge",
  "From",
  "To",
  "Return code",
] as const;

type AchRow = Partial<Record<(typeof ACH_COLUMNS)[number], string>>;

const achRow = (id: string, type: string, dates: [on: Day, settled: Day], row: AchRow): AchRow => ({
  "Entry id": id,
  "Entry type": type,
  Date: american(dates[0]),
  Settled: american(dates[1]),
  ...row,
});

/** The ACH account: charge and fee on rows of their own, and a row for each payout that says which days it covers. */
export function achFile(world: World, span: Span): string {
  const own = <Entry extends { via: string }>(entries: readonly Entry[]): Entry[] =>
    entries.filter(({ via }) => via === "ach");
  const rows: AchRow[] = [
    ...own(world.payments)
      .filter(({ settledOn }) => within(settledOn, span))
      .flatMap(achPayment),
    ...own(world.extras)
      .filter(({ on }) => within(on, span))
      .flatMap(achReturn),
    ...own(world.payouts)
      .filter(({ paidOn }) => within(paidOn, span))
      .map((payout) =>
        achRow(payout.id, "payout", [payout.paidOn, payout.paidOn], {
          Amount: sum(-payout.net),
          From: american(payout.spanFrom),
          To: american(payout.spanTo),
        }),
      ),
    ...(within(BEGUN.on, span) ? achBegun(world) : []),
  ];
  return csv([
    [...ACH_COLUMNS],
    ...rows.map((row) => ACH_COLUMNS.map((column) => row[column] ?? "")),
  ]);
}

const achPayment = (payment: World["payments"][number]): AchRow[] => [
  achRow(payment.id, "ach debit", [payment.paidOn, payment.settledOn], {
    Amount: sum(payment.amount),
    Payer: payment.payerName,
    Email: payment.payerEmail,
    Memo: payment.memo,
  }),
  achRow(`${payment.id}-f`, "fee", [payment.settledOn, payment.settledOn], {
    Amount: sum(-payment.fee),
    "For charge": payment.id,
  }),
];

const achReturn = (extra: World["extras"][number]): AchRow[] => [
  achRow(extra.id, "return", [extra.on, extra.on], {
    Amount: sum(-extra.amount),
    Payer: extra.payerName,
    "For charge": extra.related,
    "Return code": "R01",
  }),
  achRow(`${extra.id}-f`, "return fee", [extra.on, extra.on], {
    Amount: sum(-extra.fee),
    "For charge": extra.related,
  }),
];

/** A customer who is late has begun to pay: it settles days later, and no reminder goes out until then. */
const achBegun = (world: World): AchRow[] =>
  world.invoices
    .filter(({ number }) => number === BEGUN.invoice)
    .map((begun) =>
      achRow("ach_begun_1", "ach debit, pending", [BEGUN.on, BEGUN.on], {
        Amount: sum(begun.total),
        Payer: begun.person.name,
        Email: begun.person.email,
        Memo: begun.number,
      }),
    );
