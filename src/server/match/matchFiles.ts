import { existsSync, statSync } from "node:fs";
import { join } from "node:path";
import { Worker } from "node:worker_threads";

import { Matcher, type Payer, payersFor, type Proposal } from "@/core/matching";
import type { Currency } from "@/core/money";
import { ok, type Result } from "@/core/result";

import { dollars, readCustomers, readHistory, readItems, readPayments } from "./matchTables";

export type Paths = {
  readonly customers: string;
  readonly invoices: string;
  readonly payments: string;
  readonly history: string | null;
};
export type Matched = {
  proposals: { paymentId: string; currency: Currency; proposal: Proposal }[];
  customerIds: Map<number, string>;
  refused: string[];
};
type Payers = ReadonlyMap<string, readonly Payer[]>;

/** Payments of so many bytes are worth a second thread; it takes a moment to start. */
const WORTH_A_THREAD = 60_000;

/**
 * Matches files without a book. Lines that cannot be read are told and left
 * out; missing columns fail the whole. While invoices and memos are read
 * here, a second thread finds who paid.
 */
export async function matchFiles(paths: Paths): Promise<Result<Matched>> {
  const payers = isLarge(paths.payments) ? beside(paths) : Promise.resolve(payersOf(paths));
  // An error found here first must not leave the other one unheard.
  payers.catch(() => undefined);
  const refused: string[] = [];
  const customers = readCustomers(paths.customers, refused);
  if (!customers.ok) return customers;
  const ids = new Map(customers.value.map((customer) => [customer.externalId, customer.id]));
  const items = readItems(paths.invoices, ids, refused);
  if (!items.ok) return items;
  const payments = readPayments(paths.payments, refused);
  if (!payments.ok) return payments;
  const { receipts, names } = payments.value;
  const matcher = new Matcher({
    customers: customers.value,
    items: items.value,
    receipts,
    history: [],
    closed: [],
    placed: [],
    settings: { discountGraceDays: 0, smallDifferenceLimit: 0 },
  });
  matcher.readMemos();
  const found = await payers;
  if (!found.ok) return found;
  matcher.knowPayers(found.value);
  const proposals = matcher.all();
  return ok({
    proposals: proposals.map((proposal) => ({
      paymentId: names[proposal.receiptId - 1] ?? "",
      currency: receipts[proposal.receiptId - 1]?.currency ?? dollars(),
      proposal,
    })),
    customerIds: new Map(customers.value.map((customer) => [customer.id, customer.externalId])),
    refused,
  });
}

/** Who may have sent each payment of the files; what cannot be read of them is told where they are matched. */
export function payersOf(paths: Paths): Result<Payers> {
  const customers = readCustomers(paths.customers, []);
  if (!customers.ok) return customers;
  const history =
    paths.history === null
      ? ok([])
      : readHistory(
          paths.history,
          new Map(customers.value.map((customer) => [customer.externalId, customer.id])),
        );
  if (!history.ok) return history;
  const payments = readPayments(paths.payments, []);
  return payments.ok
    ? ok(payersFor({ customers: customers.value, history: history.value }, payments.value.receipts))
    : payments;
}

const bundle = (): string => join(process.env.DOZO_ROOT ?? process.cwd(), "dist/payers.mjs");

function isLarge(path: string): boolean {
  return (
    (statSync(path, { throwIfNoEntry: false })?.size ?? 0) > WORTH_A_THREAD && existsSync(bundle())
  );
}

function beside(paths: Paths): Promise<Result<Payers>> {
  return new Promise((done, failed) =>
    new Worker(bundle(), { workerData: paths }).once("message", done).once("error", failed),
  );
}
