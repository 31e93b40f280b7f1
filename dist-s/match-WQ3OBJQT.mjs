import {
  Matcher,
  payersFor,
  reasonInWords
} from "./chunk-EZF23G65.mjs";
import {
  EXIT,
  inWords,
  outcomeOf,
  wrongCall
} from "./chunk-VFPHQTCB.mjs";
import {
  METHODS,
  decodeText,
  guessMapping,
  harmless,
  readCustomer,
  readInvoice,
  readRows,
  readTable
} from "./chunk-ELMUUMV5.mjs";
import "./chunk-HT5266AL.mjs";
import {
  currencyOf,
  toDecimal
} from "./chunk-HBIDXRTT.mjs";
import {
  fail,
  ok
} from "./chunk-V6I26S2F.mjs";

// src/cli/match.ts
import { stringify } from "csv-stringify/sync";
import { writeFileSync } from "node:fs";

// src/server/match/matchFiles.ts
import { existsSync, statSync } from "node:fs";
import { join } from "node:path";
import { Worker } from "node:worker_threads";

// src/server/match/matchTables.ts
import { readFileSync } from "node:fs";
var FALLBACK = "USD";
function tableAt(path) {
  let bytes;
  try {
    bytes = readFileSync(path);
  } catch {
    return fail("file.unreadable", { path });
  }
  const text = decodeText(bytes);
  const table = text.ok ? readTable(text.value) : text;
  return table.ok ? table : named(table, path);
}
function rowsAt(path) {
  const table = tableAt(path);
  return table.ok || table.error.code !== "file.no_rows" ? table : ok(null);
}
function spec(table, kind) {
  return { ...guessMapping(table, kind), dayOrder: "ymd", decimalMark: "." };
}
function named(result, path) {
  if (result.ok) return fail("file.unreadable", { path });
  const { code, ...facts } = result.error;
  return fail(code, { ...facts, path });
}
function told(refused, file, refusals) {
  for (const { line, column, error } of refusals)
    refused.push(`${file}, line ${line}${column === "" ? "" : `, ${column}`}: ${inWords(error)}`);
}
function context() {
  return { bookCurrency: dollars(), timeZone: "UTC" };
}
function dollars() {
  return currencyOf(FALLBACK) ?? "USD";
}
function readCustomers(path, refused) {
  const table = tableAt(path);
  if (!table.ok) return table;
  const { rows, refused: bad } = readRows(
    table.value,
    spec(table.value, "customers"),
    context(),
    readCustomer
  );
  told(refused, "customers", bad);
  const ids = new Map(rows.map((row, index) => [row.externalId, index + 1]));
  return ok(
    rows.map((row, index) => ({
      id: index + 1,
      externalId: row.externalId,
      name: row.name,
      email: row.email,
      parentId: row.parentId === null ? null : ids.get(row.parentId) ?? null,
      aliases: row.aliases
    }))
  );
}
function readItems(path, ids, refused) {
  const table = rowsAt(path);
  if (!table.ok || table.value === null) return table.ok ? ok([]) : table;
  const { rows, refused: bad } = readRows(
    table.value,
    spec(table.value, "invoices"),
    { ...context(), anyCurrency: true },
    readInvoice
  );
  told(refused, "invoices", bad);
  return ok(
    rows.flatMap((row, index) => {
      const customerId = ids.get(row.customerId);
      if (customerId === void 0)
        refused.push(
          `invoices, line ${row.line}: ${inWords({ code: "customer.unknown", id: row.customerId })}`
        );
      return customerId === void 0 || row.balance === 0 ? [] : [
        {
          id: index + 1,
          customerId,
          number: row.number,
          issuedOn: row.issuedOn,
          dueOn: row.dueOn,
          currency: row.currency,
          total: row.total,
          balance: row.balance,
          poNumber: row.poNumber,
          terms: row.terms
        }
      ];
    })
  );
}
var PAYMENT_COLUMNS = [
  "payment_id",
  "received_on",
  "method",
  "currency",
  "amount",
  "payer_name",
  "payer_email",
  "reference"
];
function readPayments(path, refused) {
  const file = rowsAt(path);
  if (!file.ok || file.value === null) return file.ok ? ok({ receipts: [], names: [] }) : file;
  const table = file.value;
  const missing = ["payment_id", "received_on", "amount"].filter(
    (column) => !table.headers.includes(column)
  );
  if (missing.length > 0) return fail("mapping.fields", { fields: missing.join(", "), path });
  const columns = Object.fromEntries(
    PAYMENT_COLUMNS.filter((column) => table.headers.includes(column)).map((column) => [
      column,
      column
    ])
  );
  const mapping = {
    kind: "bank",
    columns,
    dayOrder: "ymd",
    decimalMark: ".",
    rowKinds: {},
    signs: "as_written",
    payoutSign: "as_written",
    feeSign: "cost"
  };
  const { rows, refused: bad } = readRows(
    table,
    mapping,
    { ...context(), anyCurrency: true },
    readPayment
  );
  told(refused, "payments", bad);
  return ok({
    receipts: rows.map(({ receipt }, index) => ({ ...receipt, id: index + 1 })),
    names: rows.map(({ name }) => name)
  });
}
function readPayment(row) {
  const name = row.needed("payment_id");
  row.needed("received_on");
  row.needed("amount");
  const currency = row.currency("currency");
  const paidOn = row.day("received_on");
  const amount = row.amount("amount", currency);
  if (paidOn === null || amount === null) return null;
  const method = METHODS.find((name2) => name2 === row.text("method")) ?? "other";
  return {
    name,
    receipt: {
      paidOn,
      method,
      currency,
      amount,
      payerName: row.text("payer_name"),
      payerEmail: row.text("payer_email").toLowerCase(),
      reference: row.text("reference")
    }
  };
}
function readHistory(path, ids) {
  const file = rowsAt(path);
  if (!file.ok || file.value === null) return file.ok ? ok([]) : file;
  const table = file.value;
  const at = (column) => table.headers.indexOf(column);
  const [name, email, customer] = [at("payer_name"), at("payer_email"), at("customer_id")];
  return ok(
    table.rows.flatMap(({ cells }) => {
      const customerId = ids.get(cells[customer]?.trim() ?? "");
      return customerId === void 0 ? [] : [
        {
          payerName: cells[name]?.trim() ?? "",
          payerEmail: cells[email]?.trim().toLowerCase() ?? "",
          customerId,
          times: 1
        }
      ];
    })
  );
}

// src/server/match/matchFiles.ts
var WORTH_A_THREAD = 6e4;
async function matchFiles(paths) {
  const payers = isLarge(paths.payments) ? beside(paths) : Promise.resolve(payersOf(paths));
  payers.catch(() => void 0);
  const refused = [];
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
    settings: { discountGraceDays: 0, smallDifferenceLimit: 0 }
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
      proposal
    })),
    customerIds: new Map(customers.value.map((customer) => [customer.id, customer.externalId])),
    refused
  });
}
function payersOf(paths) {
  const customers = readCustomers(paths.customers, []);
  if (!customers.ok) return customers;
  const history = paths.history === null ? ok([]) : readHistory(
    paths.history,
    new Map(customers.value.map((customer) => [customer.externalId, customer.id]))
  );
  if (!history.ok) return history;
  const payments = readPayments(paths.payments, []);
  return payments.ok ? ok(payersFor({ customers: customers.value, history: history.value }, payments.value.receipts)) : payments;
}
var bundle = () => join(process.env.DOZO_ROOT ?? process.cwd(), "dist/payers.mjs");
function isLarge(path) {
  return (statSync(path, { throwIfNoEntry: false })?.size ?? 0) > WORTH_A_THREAD && existsSync(bundle());
}
function beside(paths) {
  return new Promise(
    (done, failed) => new Worker(bundle(), { workerData: paths }).once("message", done).once("error", failed)
  );
}

// src/cli/match.ts
var DECISION = { sure: "apply", check: "review", none: "none" };
async function match(args) {
  return typeof args.values.book === "string" ? (await import("./matchBook-QPJSWDW5.mjs")).matchBook(args.values.book, args.values["post-sure"] === true) : fromFiles(args);
}
async function fromFiles({ values }) {
  const { customers, invoices, payments, history, out } = values;
  if (typeof customers !== "string" || typeof invoices !== "string" || typeof payments !== "string" || typeof out !== "string")
    return wrongCall("Say --customers, --invoices, --payments and --out, or --book.");
  return outcomeOf(
    await matchFiles({
      customers,
      invoices,
      payments,
      history: typeof history === "string" ? history : null
    }),
    (done) => {
      writeFileSync(out, proposalsCsv(done));
      const count = (decision) => done.proposals.filter((proposal) => proposal.proposal.decision === decision).length;
      const counts = {
        payments: done.proposals.length,
        apply: count("sure"),
        review: count("check"),
        none: count("none"),
        refused: done.refused.length
      };
      return {
        code: done.refused.length > 0 ? EXIT.wrong : EXIT.done,
        messages: [
          ...done.refused,
          `${counts.payments} payments: ${counts.apply} apply, ${counts.review} review, ${counts.none} none; written to ${out}`
        ],
        data: counts
      };
    }
  );
}
function rowsOf(paymentId, proposal, currency, customerIds) {
  const best = proposal.readings[0];
  const decision = DECISION[proposal.decision];
  if (proposal.decision === "none" || !best) return [[paymentId, "", "", "", "none", "0", "", ""]];
  const reason = best.reasons.map((reason2) => reasonInWords(reason2, currency)).join("; ");
  const customer = best.customerId === null ? "" : customerIds.get(best.customerId) ?? "";
  const tail = [decision, best.confidence.toFixed(4), reason, customer];
  if (best.lines.length === 0) return [[paymentId, "", "", "", ...tail]];
  return best.lines.map((line) => [
    paymentId,
    line.number,
    toDecimal(line.amount, currency),
    toDecimal(line.discount, currency),
    ...tail
  ]);
}
function proposalsCsv({ proposals, customerIds }) {
  const rows = proposals.flatMap(
    ({ paymentId, proposal, currency }) => rowsOf(paymentId, proposal, currency, customerIds)
  );
  return stringify([COLUMNS, ...rows.map((row) => row.map(harmless))], {
    record_delimiter: "windows"
  });
}
var COLUMNS = [
  "payment_id",
  "invoice_number",
  "amount",
  "discount",
  "decision",
  "confidence",
  "reason",
  "customer_id"
];
export {
  match
};
