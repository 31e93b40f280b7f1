import {
  writePackage
} from "./chunk-MTZZKE5Z.mjs";
import "./chunk-SUQBVPX2.mjs";
import {
  agingRows
} from "./chunk-RRDNJEAQ.mjs";
import "./chunk-3DTDTNHT.mjs";
import {
  payoutsBetween
} from "./chunk-RO3WTR75.mjs";
import {
  BUCKETS
} from "./chunk-KA42FKD4.mjs";
import {
  todayOf
} from "./chunk-H7MVWNRR.mjs";
import {
  balancesAsOf,
  openBookToRead
} from "./chunk-HCLLIY37.mjs";
import "./chunk-55UEKTAP.mjs";
import {
  EXIT,
  failed,
  wrongCall
} from "./chunk-VFPHQTCB.mjs";
import {
  DECIMAL,
  harmless
} from "./chunk-KO2L2HI2.mjs";
import "./chunk-IAIVUFHX.mjs";
import {
  ITEM_COLUMNS
} from "./chunk-KRT4445E.mjs";
import "./chunk-47CXCVCB.mjs";
import "./chunk-HT5266AL.mjs";
import {
  BOOK_CURRENCY,
  readSettings
} from "./chunk-WZI5MHZ3.mjs";
import {
  add,
  day,
  parseDay,
  toDecimal
} from "./chunk-HBIDXRTT.mjs";
import "./chunk-V6I26S2F.mjs";
import "./chunk-VIXS4KXC.mjs";

// src/cli/export.ts
import { writeFileSync } from "node:fs";

// src/server/output/defineSheet.ts
function defineSheet(definition) {
  const columns = Object.keys(definition.columns);
  const cells = Object.values(definition.columns);
  return {
    name: definition.name,
    columns,
    make(from) {
      const context = contextOf(from, definition.query.parse(from.query));
      const rows = definition.rows(context).map((row) => cells.map((cell) => cell(row, context)));
      return { columns, rows };
    }
  };
}
function contextOf(from, query) {
  const settings = readSettings(from.db);
  const { currency } = settings;
  return { ...from, settings, currency, query, sum: (amount) => toDecimal(amount, currency) };
}
function columnsFor(names, cellOf) {
  return Object.fromEntries(names.map((name) => [name, cellOf(name)]));
}

// src/server/output/queries.ts
import { z } from "zod";
var noQuery = z.object({});
var searched = z.string().catch("").transform((text) => text || null);
var numbered = z.coerce.number().catch(Number.NaN);
var asDay = z.string().catch("").transform((text) => {
  const parsed = parseDay(text, "ymd");
  return parsed.ok ? parsed.value : null;
});
var aPeriod = z.custom();

// src/server/output/reports/aging.ts
var bucketCell = (bucket) => (row, { sum }) => sum(row.aging[bucket]);
var agingReport = defineSheet({
  name: "aging",
  query: aPeriod,
  rows: ({ db, query: { asOf } }) => agingRows(db, asOf).rows,
  columns: {
    customer_id: (row) => row.externalId,
    customer: (row) => row.customer,
    currency: (_row, { currency }) => currency,
    ...columnsFor(BUCKETS, bucketCell),
    total: (row, { sum }) => sum(row.aging.total),
    credit: (row, { sum }) => sum(row.credit)
  }
});

// src/db/clearing.ts
function clearingAsOf(db, asOf) {
  return db.all(
    `WITH tied AS (SELECT t.payout_id AS id, min(e.posted_on) AS on_day FROM payout_tie t JOIN entry e ON e.act_id = t.act_id AND e.event = 'payout' AND e.document_kind = 'payout' AND e.document_id = t.payout_id WHERE t.ended_by IS NULL GROUP BY t.payout_id)
     SELECT * FROM (
       SELECT i.id, i.processor_account_id AS processorAccountId, i.external_id AS externalId, i.kind, i.occurred_on AS occurredOn, i.settled_on AS settledOn, i.currency, i.amount, i.payout_id AS payoutId,
         i.receipt_id AS receiptId, i.related_id AS relatedId, i.origin, i.reason, i.settled_state AS settledState, i.return_code AS returnCode, i.answer_by AS answerBy, i.answered_on AS answeredOn, i.brand, i.abroad, i.file_id AS fileId, i.line_no AS lineNo,
         a.code AS processorAccount, p.external_id AS payout, r.payer_name AS payer,
         CASE WHEN i.currency = ${BOOK_CURRENCY} THEN i.amount ELSE (SELECT coalesce(sum(l.book_amount), 0) FROM entry_line l JOIN entry e ON e.id = l.entry_id JOIN account k ON k.id = l.account_id WHERE l.item_kind = 'processor_item' AND l.item_id = i.id AND k.role = 'clearing' AND e.posted_on <= ?1) END AS book, tied.on_day AS bankedOn,
         (SELECT min(e.posted_on) FROM entry_line l JOIN entry e ON e.id = l.entry_id JOIN account k ON k.id = l.account_id WHERE l.item_kind = 'processor_item' AND l.item_id = i.id AND k.role = 'clearing') AS postedOn
       FROM processor_item i JOIN processor_account a ON a.id = i.processor_account_id LEFT JOIN payout p ON p.id = i.payout_id LEFT JOIN tied ON tied.id = i.payout_id LEFT JOIN receipt r ON r.id = i.receipt_id
       WHERE i.withdrawn = 0 AND i.settled_on <= ?1 AND (tied.on_day IS NULL OR tied.on_day > ?1))
     WHERE postedOn <= ?1 ORDER BY postedOn, id`,
    asOf
  );
}

// src/server/output/reports/clearing.ts
var clearingReport = defineSheet({
  name: "clearing",
  query: aPeriod,
  rows: ({ db, query: { asOf } }) => clearingAsOf(db, asOf),
  columns: {
    processor_account: (item) => item.processorAccount,
    kind: (item) => item.kind,
    external_id: (item) => item.externalId,
    occurred_on: (item) => item.occurredOn,
    currency: (item) => item.currency,
    amount: (item) => toDecimal(item.amount, item.currency),
    book_amount: (item, { sum }) => sum(item.book),
    payout_id: (item) => item.payout ?? "",
    posted_on: (item) => item.postedOn
  }
});

// src/db/journalPages.ts
var JOURNAL_COLUMNS = `e.event, e.posted_on AS postedOn, e.document, e.document_kind AS documentKind, e.document_id AS documentId, e.reverses, e.act_id AS actId,
  c.name AS party, l.entry_id AS entryId, l.line_no AS lineNo, l.account_id AS accountId, a.code, a.name, a.role, a.of, l.currency, l.amount, l.book_amount AS bookAmount,
  l.item_kind AS itemKind, l.item_id AS itemId`;
var JOURNAL_FROM = `FROM entry e JOIN entry_line l ON l.entry_id = e.id JOIN account a ON a.id = l.account_id LEFT JOIN customer c ON c.id = e.customer_id`;
var BY_DAY = JOURNAL_FROM.replace(
  "FROM entry e JOIN entry_line",
  "FROM entry e CROSS JOIN entry_line"
);
function journalBetween(db, from, to) {
  return db.all(
    `SELECT ${JOURNAL_COLUMNS} ${JOURNAL_FROM} WHERE e.posted_on BETWEEN ? AND ? ORDER BY e.id, l.line_no`,
    from,
    to
  );
}

// src/server/output/reports/journal.ts
var journalReport = defineSheet({
  name: "journal",
  query: aPeriod,
  rows: ({ db, query: { from, to } }) => journalBetween(db, from, to),
  columns: {
    entry_id: (line) => String(line.entryId),
    posted_on: (line) => line.postedOn,
    event: (line) => line.event,
    document: (line) => line.document,
    party: (line) => line.party ?? "",
    account_code: (line) => line.code,
    account_name: (line) => line.name,
    account_role: (line) => line.role,
    currency: (line) => line.currency,
    amount: (line) => toDecimal(line.amount, line.currency),
    book_amount: (line, { sum }) => sum(line.bookAmount),
    reverses: (line) => line.reverses === null ? "" : String(line.reverses)
  }
});

// src/db/openItemPages.ts
var DOCUMENT_OF = "(SELECT d.id FROM document d WHERE d.open_item_id = i.id OR d.number = i.part_of)";
function openItemsAsOf(db, asOf) {
  return db.all(
    `SELECT ${ITEM_COLUMNS}, c.name AS customer, c.external_id AS externalId, ${DOCUMENT_OF} AS documentId, s.own AS ownBalance, s.sum AS asOfBalance
     FROM (SELECT l.item_id AS id, sum(l.amount) AS own, sum(l.book_amount) AS sum FROM entry e JOIN entry_line l ON l.entry_id = e.id
           WHERE e.posted_on <= ? AND l.item_kind = 'open_item' AND l.account_id IN (SELECT id FROM account WHERE role = 'receivables') GROUP BY l.item_id HAVING sum(l.book_amount) <> 0) s
     JOIN open_item i ON i.id = s.id JOIN customer c ON c.id = i.customer_id ORDER BY c.name, i.due_on, i.id`,
    asOf
  );
}

// src/server/output/reports/openItems.ts
var openItemsReport = defineSheet({
  name: "open-items",
  query: aPeriod,
  rows: ({ db, query: { asOf } }) => openItemsAsOf(db, asOf),
  columns: {
    kind: (item) => item.kind,
    number: (item) => item.number,
    customer_id: (item) => item.externalId,
    customer: (item) => item.customer,
    issued_on: (item) => item.issuedOn,
    due_on: (item) => item.dueOn,
    currency: (item) => item.currency,
    total: (item) => toDecimal(item.total, item.currency),
    balance: (item) => toDecimal(item.ownBalance, item.currency),
    book_balance: (item, { sum }) => sum(item.asOfBalance)
  }
});

// src/server/output/reports/payouts.ts
var own = (value, { currency }) => value === null ? "" : toDecimal(value, currency);
var offBy = ({ bankAmount, net }) => bankAmount === null ? null : add(bankAmount, -net);
var payoutsReport = defineSheet({
  name: "payouts",
  query: aPeriod,
  rows: ({ db, query: { from, to } }) => payoutsBetween(db, from, to),
  columns: {
    payout_id: (payout) => payout.externalId,
    processor_account: (payout) => payout.processorAccount,
    paid_on: (payout) => payout.paidOn,
    currency: (payout) => payout.currency,
    charges: (payout) => own(payout.charges, payout),
    fees: (payout) => own(payout.fees, payout),
    refunds: (payout) => own(payout.refunds, payout),
    disputes: (payout) => own(payout.disputes, payout),
    other: (payout) => own(payout.other, payout),
    net: (payout) => own(payout.net, payout),
    bank_line: (payout) => payout.bankLine ?? "",
    bank_amount: (payout) => own(payout.bankAmount, payout),
    off_by: (payout) => own(offBy(payout), payout)
  }
});

// src/server/output/reports/trialBalance.ts
var trialBalanceReport = defineSheet({
  name: "trial-balance",
  query: aPeriod,
  rows: ({ db, query: { asOf } }) => balancesAsOf(db, asOf),
  columns: {
    account_code: (account) => account.code,
    account_name: (account) => account.name,
    account_role: (account) => account.role,
    debit: (account, { sum }) => sum(Math.max(account.balance, 0)),
    credit: (account, { sum }) => sum(Math.max(-account.balance, 0))
  }
});

// src/server/output/exports.ts
var REPORTS = {
  journal: journalReport,
  "open-items": openItemsReport,
  clearing: clearingReport,
  payouts: payoutsReport,
  aging: agingReport,
  "trial-balance": trialBalanceReport
};
var EXPORTS = Object.keys(REPORTS);
var FIRST = day("1900-01-01");
var LAST = day("9999-12-31");
function periodOf(today, given) {
  return {
    asOf: given.asOf ?? today,
    from: given.from ?? FIRST,
    to: given.to ?? given.asOf ?? LAST
  };
}
function sheetOf(db, name, period) {
  const today = todayOf(readSettings(db));
  return REPORTS[name].make({ db, today, proposals: [], query: period });
}

// src/server/output/sheets.ts
import { stringify } from "csv-stringify/sync";
var FORMATS = ["csv", "json", "xlsx"];
var WORDS = /* @__PURE__ */ new Set([
  "number",
  "entry_id",
  "reverses",
  "customer_id",
  "account_code",
  "external_id",
  "payout_id",
  "bank_line",
  "document"
]);
async function render(sheet, format, name) {
  switch (format) {
    case "csv":
      return {
        bytes: Buffer.from(
          stringify([[...sheet.columns], ...sheet.rows.map((row) => row.map(harmless))], {
            record_delimiter: "windows"
          })
        ),
        type: "text/csv; charset=utf-8"
      };
    case "json":
      return {
        bytes: Buffer.from(
          `${JSON.stringify(
            sheet.rows.map(
              (row) => Object.fromEntries(sheet.columns.map((column, at) => [column, row[at] ?? ""]))
            ),
            null,
            1
          )}
`
        ),
        type: "application/json"
      };
    case "xlsx": {
      const { default: ExcelJS } = await import("exceljs");
      const workbook = new ExcelJS.Workbook();
      const page = workbook.addWorksheet(name.slice(0, 31));
      page.addRow([...sheet.columns]).font = { bold: true };
      for (const row of sheet.rows)
        page.addRow(
          row.map(
            (cell, at) => DECIMAL.test(cell) && !WORDS.has(sheet.columns[at] ?? "") ? Number(cell) : cell
          )
        );
      return {
        bytes: Buffer.from(await workbook.xlsx.writeBuffer()),
        type: "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"
      };
    }
    default:
      throw format;
  }
}

// src/cli/export.ts
async function exportReport(args) {
  const [what, ...more] = args.files;
  if (more.length > 0) return reportOf(args);
  if (what === "audit") return auditPackage(args.values);
  if (what === "ubl" || what === "pdf")
    return (await import("./exportDocument-HKFR5LQ3.mjs")).exportDocument(what, args.values);
  return reportOf(args);
}
async function reportOf({ values, files }) {
  const name = EXPORTS.find((name2) => name2 === files[0]);
  if (!name || files.length !== 1)
    return wrongCall(`Say which: ${EXPORTS.join(", ")}, audit, ubl, pdf.`);
  if (typeof values.book !== "string") return wrongCall("Say --book.");
  const format = FORMATS.find((name2) => name2 === (values.format ?? (values.json ? "json" : "csv")));
  if (!format) return wrongCall(`There is no format \u201C${String(values.format)}\u201D.`);
  const days = { asOf: dayIn(values["as-of"]), from: dayIn(values.from), to: dayIn(values.to) };
  const wrong = ["as-of", "from", "to"].find(
    (option) => values[option] !== void 0 && dayIn(values[option]) === void 0
  );
  if (wrong) return wrongCall(`--${wrong} is not a date like 2026-11-24.`);
  if (days.asOf && (days.from || days.to))
    return wrongCall("Say --as-of, or --from and --to, not both.");
  const opened = openBookToRead(values.book);
  if (!opened.ok) return failed(opened.error);
  return give(
    name,
    sheetOf(opened.value, name, periodOf(todayOf(readSettings(opened.value)), days)),
    format,
    values.out
  );
}
async function auditPackage({ book, out }) {
  if (typeof book !== "string" || typeof out !== "string")
    return wrongCall("Say --book and --out.");
  const opened = openBookToRead(book);
  if (!opened.ok) return failed(opened.error);
  await writePackage(opened.value, out);
  return {
    code: EXIT.done,
    messages: [`the history of ${book} is in ${out}`],
    data: { file: out }
  };
}
async function give(name, sheet, format, out) {
  const { bytes } = await render(sheet, format, name);
  if (typeof out !== "string") return { code: EXIT.done, bytes };
  writeFileSync(out, bytes);
  return { code: EXIT.done, messages: [`${sheet.rows.length} lines written to ${out}`] };
}
function dayIn(value) {
  const parsed = typeof value === "string" ? parseDay(value, "ymd") : void 0;
  return parsed?.ok ? parsed.value : void 0;
}
export {
  exportReport
};
