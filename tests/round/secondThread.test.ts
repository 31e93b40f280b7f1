import { readFileSync, statSync } from "node:fs";
import { join } from "node:path";

import { stringify } from "csv-stringify/sync";
import { parse } from "papaparse";

import { maskedNumbers } from "@/core/gate";
import { Matcher, payersFor, propose, type MatchingInput } from "@/core/matching";
import { minor, toDecimal } from "@/core/money";

import { generate } from "../bench/books/generate";
import { Cli } from "../support/cli";

const money = (sum: number): string => toDecimal(minor(sum), "USD" as never);

/** A made-up book as the four files of `dozo match`. */
function asFiles({ customers, items, receipts, history }: MatchingInput): {
  customers: string;
  invoices: string;
  payments: string;
  history: string;
} {
  return {
    customers: stringify([
      ["customer_id", "name", "email", "parent_id"],
      ...customers.map((customer) => [
        customer.externalId,
        customer.name,
        customer.email,
        customer.parentId === null ? "" : `C${customer.parentId}`,
      ]),
    ]),
    invoices: stringify([
      [
        "invoice_number",
        "customer_id",
        "issued_on",
        "due_on",
        "currency",
        "total",
        "balance",
        "po_number",
        "terms",
      ],
      ...items.map((item) => [
        item.number,
        `C${item.customerId}`,
        item.issuedOn,
        item.dueOn,
        item.currency,
        money(item.total),
        money(item.balance),
        item.poNumber,
        item.terms,
      ]),
    ]),
    payments: stringify([
      [
        "payment_id",
        "received_on",
        "method",
        "currency",
        "amount",
        "payer_name",
        "payer_email",
        "reference",
      ],
      ...receipts.map((receipt) => [
        `p${receipt.id}`,
        receipt.paidOn,
        receipt.method,
        receipt.currency,
        money(receipt.amount),
        receipt.payerName,
        receipt.payerEmail,
        receipt.reference,
      ]),
    ]),
    history: stringify([
      ["payer_name", "payer_email", "customer_id"],
      ...history.map((paidFor) => [
        paidFor.payerName,
        paidFor.payerEmail,
        `C${paidFor.customerId}`,
      ]),
    ]),
  };
}

it("finds the same with payers looked for beside as with all in one thread", () => {
  const { input } = generate(31, true, 300);
  const matcher = new Matcher({ ...input, history: [] });
  matcher.readMemos();
  matcher.knowPayers(payersFor(input, input.receipts));
  expect(matcher.all()).toEqual(propose(input));
});

it("matches files that are large enough for a second thread as the engine does in one", () => {
  const { input } = generate(32, true, 1500);
  const cli = new Cli();
  const files = asFiles(input);
  const paths = Object.entries(files).flatMap(([name, text]) => [
    `--${name}`,
    cli.file(`${name}.csv`, text),
  ]);
  expect(statSync(join(cli.data, "payments.csv")).size).toBeGreaterThan(60_000);
  expect(cli.run("match", ...paths, "--out", join(cli.data, "out.csv")).code).toBe(0);
  const told = parse<Record<string, string>>(readFileSync(join(cli.data, "out.csv"), "utf8"), {
    header: true,
    skipEmptyLines: true,
  }).data.map(
    (row) =>
      `${row.payment_id} ${row.invoice_number} ${row.amount} ${row.decision} ${row.confidence}`,
  );
  const decision = { sure: "apply", check: "review", none: "none" };
  // What happens to be built like a card's number is masked when a file is read.
  const own = propose({
    ...input,
    receipts: input.receipts.map((receipt) => ({
      ...receipt,
      reference: maskedNumbers(receipt.reference),
    })),
    history: input.history.map((paidFor) => ({ ...paidFor, times: 1 })),
  }).flatMap((proposal) => {
    const [best] = proposal.readings;
    if (proposal.decision === "none" || !best) return [`p${proposal.receiptId}   none 0`];
    const tail = `${decision[proposal.decision]} ${best.confidence.toFixed(4)}`;
    return best.lines.length === 0
      ? [`p${proposal.receiptId}   ${tail}`]
      : best.lines.map(
          (line) => `p${proposal.receiptId} ${line.number} ${money(line.amount)} ${tail}`,
        );
  });
  expect(told).toEqual(own);
});

it("says what is wrong with the history though another thread reads it", () => {
  const cli = new Cli();
  const files = asFiles(generate(33, false, 1500).input);
  const paths = (["customers", "invoices", "payments"] as const).flatMap((name) => [
    `--${name}`,
    cli.file(`${name}.csv`, files[name]),
  ]);
  expect(
    cli.run(
      "match",
      ...paths,
      "--history",
      "/nowhere/history.csv",
      "--out",
      join(cli.data, "out.csv"),
    ),
  ).toMatchObject({ code: 3, err: expect.stringContaining("/nowhere/history.csv") as string });
});
