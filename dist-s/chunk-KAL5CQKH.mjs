import {
  lookOf
} from "./chunk-JTB3IXVD.mjs";
import {
  PAYS_BY
} from "./chunk-ZYSY576K.mjs";
import {
  defineCommand
} from "./chunk-JSRFI5DX.mjs";
import {
  EARNED_LATER,
  accounts,
  firstProblem,
  inBook,
  insertAccount,
  isoDay,
  linesOfEntry,
  postCreditNote,
  postInvoice
} from "./chunk-CST2UU67.mjs";
import {
  documentById,
  documentOfOrder,
  insertDocument,
  markApproved,
  setStage
} from "./chunk-VU6MJZGF.mjs";
import {
  insertOpenItem,
  openItemByNumber
} from "./chunk-KRT4445E.mjs";
import {
  cardOf,
  followedRow
} from "./chunk-JF77VF3J.mjs";
import {
  customerByExternalId,
  customerById
} from "./chunk-47CXCVCB.mjs";
import {
  decimalOf,
  decimalText,
  instalmentsOf,
  nextStage,
  numberOf,
  paperWords,
  partNumber,
  readPlan,
  totalsOf
} from "./chunk-WZI5MHZ3.mjs";
import {
  add,
  currencyOf,
  endOfMonth,
  isBookDay,
  minor,
  mulDiv,
  split,
  sumOf
} from "./chunk-HBIDXRTT.mjs";
import {
  fail,
  ok
} from "./chunk-V6I26S2F.mjs";

// src/server/invoices/commands/takeOrders.ts
import { createHash as createHash2 } from "node:crypto";
import { z as z2 } from "zod";

// src/contracts/invoices.ts
import { z } from "zod";
var decimal = z.string().trim().max(40);
var cell = z.string().max(1e3);
var words = z.string().trim().max(500);
var LONGEST_TERMS = 400;
var orNone = (text) => text.nullish().transform((value) => value || null);
var lineInput = z.object({
  item: orNone(z.string().trim().max(60)),
  description: words.min(1, "A line says what it is for."),
  quantity: decimal,
  rate: decimal,
  discountPercent: orNone(decimal),
  taxCode: orNone(z.string().trim().max(20)),
  /** The deposit that the line takes off, by its document. */
  settles: z.number().int().nullish().transform((value) => value ?? null)
});
var orderLine = z.object({
  row: z.number().int(),
  item: cell.nullable(),
  description: cell,
  quantity: cell,
  rate: cell,
  discountPercent: cell.nullable(),
  taxCode: cell.nullable(),
  taxPercent: cell.nullable()
});
var orderInput = z.object({
  document: cell.min(1),
  row: z.number().int(),
  customerId: cell,
  issuedOn: isoDay,
  terms: cell.nullable(),
  dueOn: isoDay.nullable(),
  currency: cell.nullable(),
  poNumber: cell.nullable(),
  lines: z.array(orderLine).min(1).max(1e3).readonly()
});
var draftInput = z.object({
  customerId: z.number().int(),
  issuedOn: isoDay,
  terms: orNone(z.string().trim().max(LONGEST_TERMS)),
  /** Another due day than the terms give, and why. */
  dueOn: isoDay.nullish().transform((value) => value ?? null),
  dueReason: orNone(words),
  currency: z.string().trim().max(3).nullish().transform((value) => value || null),
  poNumber: orNone(z.string().trim().max(60)),
  note: orNone(z.string().trim().max(2e3)),
  lines: z.array(lineInput).min(1, "A document has at least one line.").max(1e3),
  discountPercent: orNone(decimal),
  discountSum: z.number().int().min(0).nullish().transform((value) => value ?? null),
  charges: z.array(
    z.object({
      words: words.min(1),
      sum: z.number().int().min(0),
      taxCode: orNone(z.string().trim().max(20))
    })
  ).max(20).default([]),
  withholdingPercent: orNone(decimal),
  paysBy: z.enum(PAYS_BY).nullish().transform((value) => value ?? null)
});

// src/db/taxCodes.ts
function taxCodes(db) {
  return db.all("SELECT code, percent, category, note FROM tax_code ORDER BY code");
}
function insertTaxCode(db, tax) {
  db.run(
    "INSERT INTO tax_code (code, percent, category, note) VALUES (?, ?, ?, ?)",
    tax.code,
    tax.percent,
    tax.category,
    tax.note
  );
}

// src/server/invoices/steps/approveOne.ts
import { createHash } from "node:crypto";

// src/db/documentWays.ts
var COLUMNS = `d.id AS id, d.open_item_id AS itemId, d.kind, d.number, d.customer_id AS customerId,
  c.name AS customer, d.issued_on AS issuedOn, d.due_on AS dueOn, d.currency, d.total, w.way`;
var FROM = `document_way w
  JOIN document d ON d.id = w.document_id
  JOIN customer c ON c.id = d.customer_id`;
var FAILED = "(l.delivery >= 'not sent' AND l.delivery < 'not senu' OR l.came_back IS NOT NULL)";
function wayOf(db, documentId) {
  return db.get(
    `SELECT ${COLUMNS}, CASE WHEN ${FAILED} THEN NULL ELSE w.done_on END AS doneOn
     FROM ${FROM} LEFT JOIN letter l ON l.id = w.letter_id
     WHERE d.id = ?`,
    documentId
  );
}
function insertWay(db, documentId, way) {
  db.run("INSERT INTO document_way (document_id, way) VALUES (?, ?)", documentId, way);
}
function markReached(db, documentId, on, letterId) {
  db.run(
    "UPDATE document_way SET done_on = ?, letter_id = ? WHERE document_id = ?",
    on,
    letterId,
    documentId
  );
}

// src/db/series.ts
function drawNumber(db, kind, year) {
  db.run(
    `INSERT INTO series (kind, year, last) VALUES (?, ?, 1)
     ON CONFLICT (kind, year) DO UPDATE SET last = last + 1`,
    kind,
    year
  );
  return db.get("SELECT last FROM series WHERE kind = ? AND year = ?", kind, year)?.last ?? 1;
}

// src/db/deposited.ts
function depositLeft(db, documentId) {
  return db.get(
    `SELECT d.id, d.stage, coalesce(d.number, '') AS number, d.customer_id AS customerId, d.currency,
       d.net
       - coalesce((SELECT sum(c.net) FROM document c WHERE c.credits_id = d.id AND c.stage = 'approved'), 0)
       + coalesce((SELECT sum(CASE o.kind WHEN 'invoice' THEN l.net ELSE -l.net END)
           FROM document_line l JOIN document o ON o.id = l.document_id
           WHERE l.settles = d.id AND o.stage = 'approved'), 0) AS left
     FROM document d WHERE d.id = ? AND d.deposit_of IS NOT NULL`,
    documentId
  );
}
function nameDepositLines(db, depositId, words2) {
  db.run(
    `UPDATE document_line SET description = ?
     WHERE settles = ? AND document_id IN (SELECT id FROM document WHERE stage = 'draft')`,
    words2,
    depositId
  );
  db.run(
    `UPDATE document SET version = version + 1
     WHERE stage = 'draft' AND id IN (SELECT document_id FROM document_line WHERE settles = ?)`,
    depositId
  );
}

// src/server/invoices/steps/depositWords.ts
function depositWords(db, customerId) {
  const words2 = paperWords(followedRow(db, customerId).language);
  return {
    of: (percent, what) => `${words2.deposit} ${percent} %, ${what}`.slice(0, 500),
    less: (which) => `${words2.less_deposit} ${which}`
  };
}

// src/server/invoices/steps/deposits.ts
function depositsFit(db, document, lines) {
  if (document.kind === "credit_note") return creditFits(db, document);
  const taken = /* @__PURE__ */ new Map();
  for (const { settles, net } of lines)
    if (settles != null) taken.set(settles, add(taken.get(settles) ?? minor(0), -net));
  for (const [id, sum] of taken) {
    const deposit = depositLeft(db, id);
    if (!deposit || deposit.stage !== "approved") return fail("deposit.unapproved");
    const fits = isOf(deposit, document) && sum >= 0 && sum <= deposit.left;
    if (!fits) return fail("deposit.left", { number: deposit.number });
  }
  return ok(null);
}
var isOf = (deposit, document) => deposit.customerId === document.customerId && deposit.currency === document.currency;
function creditFits(db, { creditsId, net }) {
  const deposit = creditsId === null ? void 0 : depositLeft(db, creditsId);
  return deposit && net > deposit.left ? fail("deposit.left", { number: deposit.number }) : ok(null);
}
function nameDeposit(db, { id, depositOf }, number) {
  const draft = depositOf === null ? void 0 : documentById(db, depositOf);
  if (draft?.stage === "draft")
    nameDepositLines(db, id, depositWords(db, draft.customerId).less(number));
}

// src/db/documentLines.ts
function linesOf(db, documentId) {
  return db.all(
    `SELECT item, description, quantity, rate, discount_percent AS discountPercent,
       tax_code AS taxCode, amount, net, settles
     FROM document_line WHERE document_id = ? ORDER BY line_no`,
    documentId
  );
}
function chargesOf(db, documentId) {
  return db.all(
    `SELECT words, sum, tax_code AS taxCode
     FROM document_charge WHERE document_id = ? ORDER BY charge_no`,
    documentId
  );
}
function replaceLines(db, documentId, lines, charges) {
  db.run("DELETE FROM document_line WHERE document_id = ?", documentId);
  db.run("DELETE FROM document_charge WHERE document_id = ?", documentId);
  for (const [at, line] of lines.entries())
    db.run(
      `INSERT INTO document_line (document_id, line_no, item, description, quantity, rate,
         discount_percent, tax_code, amount, net, settles)
       VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
      documentId,
      at + 1,
      line.item,
      line.description,
      line.quantity,
      line.rate,
      line.discountPercent,
      line.taxCode,
      line.amount,
      line.net,
      line.settles ?? null
    );
  for (const [at, charge] of charges.entries())
    db.run(
      "INSERT INTO document_charge (document_id, charge_no, words, sum, tax_code) VALUES (?, ?, ?, ?, ?)",
      documentId,
      at + 1,
      charge.words,
      charge.sum,
      charge.taxCode
    );
}

// src/server/invoices/steps/inputOf.ts
function inputOf(db, document) {
  return {
    customerId: document.customerId,
    issuedOn: document.issuedOn,
    terms: document.terms,
    dueOn: document.dueReason === null ? null : document.dueOn,
    dueReason: document.dueReason,
    currency: document.currency,
    poNumber: document.poNumber,
    note: document.note,
    lines: linesOf(db, document.id),
    discountPercent: document.discountPercent,
    discountSum: document.discountSum,
    charges: chargesOf(db, document.id),
    withholdingPercent: document.withholdingPercent,
    paysBy: document.paysBy
  };
}

// src/server/invoices/steps/openItems.ts
function openItems(ctx, document, paper) {
  const { parts, number } = paper;
  const whole = { number, dueOn: document.dueOn, terms: document.terms };
  const [first, ...others] = parts ?? [];
  if (!first) {
    const itemId = insertItem(ctx, document, paper, {
      ...whole,
      total: paper.total,
      tax: paper.tax
    });
    return [{ itemId, sum: paper.total }];
  }
  const taxes = split(
    paper.tax,
    [first, ...others].map(({ sum }) => sum)
  );
  const open = ({ dueOn, terms, sum }, at) => {
    const tax = taxes[at] ?? minor(0);
    const part = { number: partNumber(number, at), partOf: number, dueOn, terms, total: sum, tax };
    return { itemId: insertItem(ctx, document, paper, part), sum };
  };
  return [open(first, 0), ...others.map((part, at) => open(part, at + 1))];
}
function insertItem(ctx, document, paper, { terms, tax, ...item }) {
  const sign = document.kind === "invoice" ? 1 : -1;
  const total = minor(sign * item.total);
  return insertOpenItem(ctx.db, {
    ...item,
    kind: document.kind,
    customerId: document.customerId,
    issuedOn: document.issuedOn,
    currency: document.currency,
    total,
    tax: minor(sign * tax),
    opened: total,
    balance: total,
    openedOn: document.issuedOn,
    poNumber: document.poNumber,
    terms: document.kind === "invoice" ? terms : null,
    description: paper.lines[0]?.description ?? null,
    fileId: null,
    lineNo: null
  });
}

// src/db/deferrals.ts
function insertDeferral(db, deferral) {
  db.run(
    `INSERT INTO deferral (open_item_id, income_of, currency, first_on, months, sum, book_sum)
     VALUES (?, ?, ?, ?, ?, ?, ?)`,
    deferral.openItemId,
    deferral.incomeOf,
    deferral.currency,
    deferral.firstOn,
    deferral.months,
    deferral.sum,
    deferral.bookSum
  );
}
function moveDeferral(db, move, actId) {
  db.run(
    "INSERT INTO deferral_move (deferral_id, month_no, sum, book_sum, act_id) VALUES (?, ?, ?, ?, ?)",
    move.deferralId,
    move.monthNo,
    move.sum,
    move.bookSum,
    actId
  );
}
var LEFT = `
  SELECT d.id, d.open_item_id AS openItemId, d.income_of AS incomeOf, d.currency, d.first_on AS firstOn,
    d.months, d.sum, d.book_sum AS bookSum, i.number, i.customer_id AS customerId,
    d.sum - coalesce(sum(m.sum), 0) AS left, d.book_sum - coalesce(sum(m.book_sum), 0) AS bookLeft,
    count(m.month_no) AS released
  FROM deferral d JOIN open_item i ON i.id = d.open_item_id
  LEFT JOIN deferral_move m ON m.deferral_id = d.id`;
function deferralsOf(db, openItemId) {
  return db.all(
    `${LEFT} WHERE d.open_item_id = ? GROUP BY d.id ORDER BY d.id`,
    openItemId
  );
}
function deferralsLeft(db) {
  return db.all(
    `${LEFT} GROUP BY d.id HAVING count(m.month_no) < d.months AND d.sum <> coalesce(sum(m.sum), 0) ORDER BY d.first_on, d.id`
  );
}

// src/db/items.ts
var ITEM = "SELECT code, description, rate, tax_code AS taxCode, income_of AS incomeOf, months FROM item";
function items(db) {
  return db.all(`${ITEM} ORDER BY code`);
}
function setItem(db, item) {
  db.run(
    `INSERT INTO item (code, description, rate, tax_code, income_of, months) VALUES (?1, ?2, ?3, ?4, ?5, ?6)
     ON CONFLICT (code) DO UPDATE SET description = ?2, rate = ?3, tax_code = ?4, income_of = ?5, months = ?6`,
    item.code,
    item.description,
    item.rate,
    item.taxCode,
    item.incomeOf,
    item.months
  );
}
function deleteItem(db, code) {
  db.run("DELETE FROM item WHERE code = ?", code);
}

// src/server/invoices/steps/accountOfLater.ts
var NAMES_OF_LATER = {
  deposits: { code: 2120, name: "Deposits on orders" },
  deferred: { code: 2130, name: "Deferred income" }
};
function accountOfLater(ctx, of) {
  const chart = accounts(ctx.db);
  if (chart.some((account) => account.role === "other" && account.of === of)) return;
  const taken = new Set(chart.map(({ code: code2 }) => code2));
  let { code } = NAMES_OF_LATER[of];
  while (taken.has(String(code))) code += 1;
  const { name } = NAMES_OF_LATER[of];
  insertAccount(ctx.db, { code: String(code), name, role: "other", of });
  ctx.act("settings", { kind: "book", id: 0 }, `account ${code} ${name} added`);
  ctx.chartChanged();
}

// src/server/invoices/steps/postDocument.ts
function postDocument(ctx, posting) {
  const { document, worked, opened, actId, text } = posting;
  const [{ itemId }] = opened;
  const { currency } = document;
  const earned = earnedOf(ctx, document, worked);
  const parts = document.kind === "invoice" ? earned.map(billed) : takenBack(ctx, posting, earned);
  for (const later of Object.values(EARNED_LATER))
    if (parts.some(({ to }) => to.of === later.of)) accountOfLater(ctx, later.of);
  const drafted = {
    on: document.issuedOn,
    partyId: document.customerId,
    document: { kind: "open_item", id: itemId, text },
    itemId,
    instalments: opened.length === 1 ? void 0 : opened.map(({ itemId: itemId2, sum }) => ({ itemId: itemId2, sum: inBook(sum, currency) })),
    income: parts.map(({ to, net }) => ({ to, sum: inBook(net, currency) })),
    taxes: worked.paper.taxes.map(({ code, sum }) => ({
      to: { role: "tax", of: code },
      sum: inBook(sum, currency)
    }))
  };
  const isInvoice = document.kind === "invoice";
  const entryId = ctx.post(isInvoice ? postInvoice(drafted) : postCreditNote(drafted), actId);
  const receivables = opened.length;
  if (isInvoice) keepDeferrals(ctx, { entryId, document, itemId, receivables, earned });
}
var incomeAccount = (of) => of === null ? { role: "income" } : { role: "income", of };
function billed({ incomeOf, months, isDeposit, net }) {
  if (isDeposit) return { to: EARNED_LATER.deposits, net };
  return { to: months > 1 ? EARNED_LATER.deferred : incomeAccount(incomeOf), net };
}
function earnedOf({ db }, document, { totals, lines }) {
  const itemOf = new Map(items(db).map((item) => [item.code, item]));
  const asksBefore = isDepositDocument(db, document);
  const sums = /* @__PURE__ */ new Map();
  const count = (part) => {
    const key = JSON.stringify([part.incomeOf, part.months, part.isDeposit]);
    sums.set(key, { ...part, net: add(sums.get(key)?.net ?? minor(0), part.net) });
  };
  const atOnce = { incomeOf: null, months: 1, isDeposit: asksBefore };
  for (const net of totals.chargeNets) count({ ...atOnce, net });
  totals.nets.forEach((net, at) => {
    const line = lines[at];
    const isDeposit = asksBefore || (line?.settles ?? null) !== null;
    const item = isDeposit ? void 0 : itemOf.get(line?.item ?? "");
    count({ incomeOf: item?.incomeOf ?? null, months: item?.months ?? 1, isDeposit, net });
  });
  return [...sums.values()];
}
function isDepositDocument(db, document) {
  if (document.creditsId === null) return document.depositOf !== null;
  return documentById(db, document.creditsId)?.depositOf != null;
}
function keepDeferrals(ctx, kept) {
  const { entryId, document, itemId, receivables, earned } = kept;
  const lines = linesOfEntry(ctx.db, entryId).slice(receivables);
  earned.forEach(({ incomeOf, months, isDeposit, net }, at) => {
    if (isDeposit || months === 1 || net === 0) return;
    insertDeferral(ctx.db, {
      openItemId: itemId,
      incomeOf,
      currency: document.currency,
      firstOn: endOfMonth(document.issuedOn),
      months,
      sum: net,
      bookSum: minor(-(lines[at]?.bookAmount ?? 0))
    });
  });
}
function takenBack(ctx, { document, actId }, earned) {
  const invoice = document.creditsId === null ? null : documentById(ctx.db, document.creditsId);
  const left = invoice?.openItemId == null ? [] : deferralsOf(ctx.db, invoice.openItemId);
  return earned.flatMap((part) => {
    const account = { to: part.isDeposit ? EARNED_LATER.deposits : incomeAccount(part.incomeOf) };
    const from = left.find((one) => one.incomeOf === part.incomeOf && one.months === part.months);
    if (part.isDeposit || part.months === 1 || !from || from.left <= 0)
      return [{ ...account, net: part.net }];
    const sum = minor(Math.min(from.left, part.net));
    const bookSum = sum === from.left ? from.bookLeft : mulDiv(from.bookLeft, BigInt(sum), BigInt(from.left), "half-up");
    moveDeferral(ctx.db, { deferralId: from.id, monthNo: null, sum, bookSum }, actId);
    const rest = minor(part.net - sum);
    return [
      { to: EARNED_LATER.deferred, net: sum },
      ...rest === 0 ? [] : [{ ...account, net: rest }]
    ];
  });
}

// src/server/invoices/steps/workOut.ts
function workOut({ db, settings }, input, as = { kind: "invoice", corrects: null }) {
  const customer = customerById(db, input.customerId);
  if (!customer) return fail("customer.unknown", { id: input.customerId });
  const card = cardOf(db, customer.id);
  const currency = currencyOf(input.currency ?? card.currency ?? settings.currency);
  if (!currency) return fail("currency.unknown", { text: input.currency });
  const due = dueOf(input, card.terms ?? settings.usualTerms);
  if (!due.ok) return due;
  const taxes = taxCodes(db);
  const rules = as.rules ?? { included: settings.taxIncluded, rounded: settings.taxRounded };
  const totals = totalsOf({
    currency,
    lines: input.lines,
    discount: discountOf(input),
    charges: input.charges.map((charge) => ({ ...charge, sum: minor(charge.sum) })),
    taxes,
    rules,
    withholdingPercent: input.withholdingPercent
  });
  if (!totals.ok) return totals;
  return ok(
    put(input, {
      settings,
      customer,
      card,
      language: followedRow(db, customer.id).language,
      currency,
      due: due.value,
      totals: totals.value,
      ...as,
      rules
    })
  );
}
function discountOf({ discountPercent, discountSum }) {
  if (discountPercent !== null) return { percent: discountPercent };
  return discountSum === null || discountSum === 0 ? null : { sum: minor(discountSum) };
}
function dueOf(input, usual) {
  const { terms, issuedOn, dueOn, dueReason } = input;
  const said = terms ?? usual;
  const plan = readPlan(said);
  if (!plan.ok) return plan;
  const fits = plan.value.length === 1 ? ok(null) : fitsParts(input);
  if (!fits.ok) return fits;
  const byTerms = instalmentsOf(plan.value, issuedOn, ALL_OF_IT).at(-1)?.dueOn ?? issuedOn;
  const due = dueOn ?? byTerms;
  if (due < issuedOn) return fail("document.due", { field: "due_on" });
  if (!isBookDay(due)) return fail("day.range", { field: "due_on", text: due });
  return ok({
    terms: said,
    plan: plan.value,
    dueOn: due,
    reason: due === byTerms ? null : dueReason ?? "as agreed"
  });
}
function fitsParts({ dueOn, withholdingPercent }) {
  if (dueOn !== null) return fail("plan.due", { field: "due_on" });
  return withholdingPercent === null ? ok(null) : fail("plan.withheld");
}
var ALL_OF_IT = minor(1e8);
function partsOf({ plan }, { issuedOn }, total) {
  const parts = plan.length > 1 ? instalmentsOf(plan, issuedOn, total) : [];
  return parts.length > 1 ? parts : void 0;
}
function put(input, facts) {
  const { due, totals, currency, rules } = facts;
  const lines = input.lines.map((line, at) => ({
    ...line,
    amount: totals.lines[at] ?? minor(0),
    net: totals.nets[at] ?? minor(0)
  }));
  const charges = input.charges.map((charge) => ({ ...charge, sum: minor(charge.sum) }));
  const content = {
    customerId: input.customerId,
    issuedOn: input.issuedOn,
    dueOn: due.dueOn,
    dueReason: due.reason,
    terms: due.terms,
    currency,
    poNumber: input.poNumber,
    note: input.note,
    taxIncluded: rules.included,
    taxRounded: rules.rounded,
    discountPercent: input.discountPercent,
    discountSum: input.discountSum === null ? null : minor(input.discountSum),
    withholdingPercent: input.withholdingPercent,
    paysBy: input.paysBy,
    net: totals.net,
    tax: totals.tax,
    total: totals.total
  };
  return { content, lines, charges, totals, paper: paperOf(input, facts, lines) };
}
function paperOf(input, facts, lines) {
  const { settings, customer, card, totals, currency, due, kind, corrects, rules } = facts;
  return {
    kind,
    look: lookOf(settings, card.look),
    language: facts.language,
    number: null,
    issuedOn: input.issuedOn,
    dueOn: due.dueOn,
    terms: due.terms,
    parts: kind === "invoice" ? partsOf(due, input, totals.total) : void 0,
    currency,
    poNumber: input.poNumber,
    note: input.note,
    corrects,
    seller: {
      name: settings.name,
      address: settings.address,
      taxNumber: settings.taxNumber,
      email: settings.replyTo,
      country: settings.country
    },
    customer: {
      id: customer.externalId,
      name: customer.name,
      email: customer.email,
      address: card.address,
      country: card.country,
      taxNumber: card.taxNumber
    },
    lines: lines.map((line) => ({ ...line, net: rules.included ? line.net : line.amount })),
    lineSum: totals.lineSum,
    discount: totals.discount,
    charges: input.charges.map((charge) => ({ ...charge, sum: minor(charge.sum) })),
    taxIncluded: rules.included,
    taxes: taxesOf(input, totals, rules.included),
    net: totals.net,
    tax: totals.tax,
    total: totals.total,
    withheld: totals.withheld,
    payable: totals.payable
  };
}
function taxesOf(input, totals, included) {
  return totals.taxes.map(({ tax, net, sum }) => {
    const inCode = (code) => (code ?? "") === tax.code;
    return {
      code: tax.code,
      category: tax.category,
      percent: tax.percent,
      net,
      sum,
      note: tax.note,
      discount: sumOf(
        included ? [] : totals.discounts.filter((_, at) => inCode(input.lines[at]?.taxCode ?? null)),
        (share) => share
      ),
      charges: sumOf(
        totals.chargeNets.filter((_, at) => inCode(input.charges[at]?.taxCode ?? null)),
        (charge) => charge
      )
    };
  });
}

// src/server/invoices/steps/approveOne.ts
function approveOne(ctx, document) {
  const next = nextStage(document.stage, "approve");
  if (!next.ok) return next;
  if (needsSecond(ctx, document)) return waitForSecond(ctx, document);
  const stale = ctx.staleRate(document.currency, document.issuedOn);
  if (stale) return { ok: false, error: stale };
  if (document.issuedOn <= ctx.settings.cutOverOn)
    return fail("document.cut_over", { field: "issued_on", day: ctx.settings.cutOverOn });
  const worked = workOut(ctx, inputOf(ctx.db, document), {
    kind: document.kind,
    corrects: correctedBy(ctx, document),
    rules: { included: document.taxIncluded, rounded: document.taxRounded }
  });
  if (!worked.ok) return worked;
  const fits = depositsFit(ctx.db, document, worked.value.lines);
  if (!fits.ok) return fits;
  const number = freeNumber(ctx, document, worked.value.paper.parts?.length ?? 0);
  const paper = { ...worked.value.paper, number };
  const opened = openItems(ctx, document, paper);
  const [{ itemId }] = opened;
  const frozen = JSON.stringify(paper);
  markApproved(ctx.db, document.id, {
    number,
    openItemId: itemId,
    frozen,
    frozenHash: createHash("sha256").update(frozen).digest("hex"),
    by: ctx.who.actor,
    on: ctx.today
  });
  insertWay(ctx.db, document.id, cardOf(ctx.db, document.customerId).way);
  const words2 = document.kind === "invoice" ? "invoice" : "credit note";
  const actId = ctx.act(
    "approve",
    { kind: "open_item", id: itemId, customerId: document.customerId },
    `${words2} ${number} approved, ${ctx.sum(document.total, document.currency)}`
  );
  const text = `${words2} ${number}`;
  postDocument(ctx, { document, worked: worked.value, opened, actId, text });
  nameDeposit(ctx.db, document, number);
  return ok({ id: document.id, number, itemId, actId });
}
var correctedBy = ({ db }, { creditsId }) => creditsId === null ? null : documentById(db, creditsId)?.number ?? null;
var needsSecond = ({ settings, who }, document) => settings.approvalOver !== null && document.total > settings.approvalOver && document.writtenBy === who.actor;
function waitForSecond(ctx, document) {
  if (document.stage === "waiting") return fail("document.second", { name: document.writtenBy });
  setStage(ctx.db, document.id, "waiting");
  ctx.act(
    "draft",
    { kind: "document", id: document.id, customerId: document.customerId },
    `${ctx.sum(document.total, document.currency)} waits for somebody else to approve it`
  );
  return ok(null);
}
function freeNumber(ctx, { kind, issuedOn }, parts) {
  const { invoicePrefix, creditNotePrefix } = ctx.settings;
  const prefix = kind === "invoice" ? invoicePrefix : creditNotePrefix;
  for (; ; ) {
    const running = drawNumber(ctx.db, kind, Number(issuedOn.slice(0, 4)));
    const number = numberOf(prefix, issuedOn, running);
    const own = Array.from({ length: parts }, (_, at) => partNumber(number, at));
    const taken = [number, ...own].some((text) => openItemByNumber(ctx.db, text));
    if (!taken) return number;
  }
}

// src/server/invoices/steps/insertDraft.ts
function insertDraft(ctx, { content, lines, charges }, { kind = "invoice", orderRef, orderHash, creditsId, depositOf, schedule } = {}) {
  const head = {
    kind,
    stage: "draft",
    orderRef: orderRef ?? null,
    orderHash: orderHash ?? null,
    creditsId: creditsId ?? null,
    depositOf: depositOf ?? null,
    writtenBy: ctx.who.actor
  };
  const id = insertDocument(ctx.db, head, content);
  replaceLines(ctx.db, id, lines, charges);
  ctx.act(
    "draft",
    { kind: "document", id, customerId: content.customerId },
    `${wordsOf({ orderRef, schedule })}, ${ctx.sum(content.total, content.currency)}`
  );
  return id;
}
function wordsOf({ orderRef, schedule }) {
  if (schedule !== void 0) return `draft of the schedule ${schedule}`;
  return orderRef === void 0 ? "draft written" : `draft of order ${orderRef}`;
}

// src/server/invoices/commands/takeOrders.ts
var takeOrders = defineCommand({
  name: "takeOrders",
  schema: z2.object({ orders: z2.array(orderInput).max(5e4), approve: z2.boolean() }),
  run(ctx, { orders, approve }) {
    const taken = { documents: [], refused: [] };
    for (const [at, each] of orders.entries()) {
      const done = ctx.part(() => take(ctx, each, approve));
      if (done.ok) taken.documents.push({ document: each.document, id: done.value });
      else taken.refused.push(placed(each, done.error));
      if (at % 50 === 0) ctx.who.progress?.(at, orders.length);
    }
    return ok(taken);
  }
});
function hashOf(order) {
  const said = { ...order, row: 0, lines: order.lines.map((line) => ({ ...line, row: 0 })) };
  return createHash2("sha256").update(JSON.stringify(said)).digest("hex");
}
function take(ctx, order, approve) {
  const hash = hashOf(order);
  const before = documentOfOrder(ctx.db, order.document);
  if (before && before.orderHash !== hash)
    return fail("order.changed", { field: "document", document: order.document });
  const document = before ? ok(before) : written(ctx, order, hash);
  if (!document.ok) return document;
  if (approve && ["draft", "waiting"].includes(document.value.stage)) {
    const done = approveOne(ctx, document.value);
    if (!done.ok) return done;
  }
  return ok(document.value.id);
}
function written(ctx, order, hash) {
  const customer = customerByExternalId(ctx.db, order.customerId);
  if (!customer) return fail("customer.unknown", { field: "customer_id", id: order.customerId });
  const taxes = knownTaxes(ctx, order.lines);
  if (!taxes.ok) return taxes;
  const input = draftInput.safeParse(inputOf2(order, customer.id));
  if (!input.success) return fail("input.invalid", firstProblem(input.error, "order"));
  const worked = workOut(ctx, input.data);
  if (!worked.ok) return worked;
  const origin = { orderRef: order.document, orderHash: hash };
  const id = insertDraft(ctx, worked.value, origin);
  const document = documentById(ctx.db, id);
  return document ? ok(document) : fail("document.unknown", { id });
}
var inputOf2 = (order, customerId) => ({
  customerId,
  issuedOn: order.issuedOn,
  terms: order.terms,
  dueOn: order.dueOn,
  dueReason: order.dueOn === null ? null : "as ordered",
  currency: order.currency,
  poNumber: order.poNumber,
  note: null,
  discountPercent: null,
  withholdingPercent: null,
  paysBy: null,
  lines: order.lines.map(({ item, description, quantity, rate, discountPercent, taxCode }) => ({
    item,
    description,
    quantity,
    rate,
    discountPercent,
    taxCode
  }))
});
function knownTaxes(ctx, lines) {
  const known = new Map(taxCodes(ctx.db).map(({ code, percent }) => [code, percent]));
  for (const [at, line] of lines.entries()) {
    const percent = percentOf(line, known);
    if (!percent.ok)
      return { ok: false, error: { field: "tax_percent", line: at + 1, ...percent.error } };
    const { taxCode } = line;
    if (taxCode === null || known.has(taxCode)) continue;
    known.set(taxCode, percent.value);
    insertTaxCode(ctx.db, {
      code: taxCode,
      percent: percent.value,
      category: percent.value === "0" ? "zero" : "standard",
      note: null
    });
  }
  return ok(null);
}
function percentOf({ taxCode, taxPercent }, known) {
  if (taxCode === null)
    return taxPercent === null || Number(taxPercent) === 0 ? ok("0") : fail("order.tax_code");
  const own = known.get(taxCode);
  if (taxPercent === null)
    return own === void 0 ? fail("document.tax_unknown", { text: taxCode }) : ok(own);
  const read = decimalOf(taxPercent);
  if (!read.ok || read.value.units < 0n || Number(decimalText(read.value)) > 100)
    return fail("document.number", { text: taxPercent });
  const said = decimalText(read.value);
  return own === void 0 || own === said ? ok(said) : fail("order.tax_percent", { tax: taxCode, percent: own, text: taxPercent });
}
function placed({ document, row, lines }, error) {
  const { line, field } = error;
  const at = typeof line === "number" ? lines[line - 1]?.row : void 0;
  return {
    document,
    row: at ?? row,
    field: typeof field === "string" ? field : FIELDS[error.code] ?? "document",
    error
  };
}
var FIELDS = {
  "terms.unreadable": "terms",
  "plan.percent": "terms",
  "plan.parts": "terms",
  "currency.unknown": "currency",
  "rate.missing": "currency"
};

export {
  linesOf,
  replaceLines,
  wayOf,
  markReached,
  depositWords,
  inputOf,
  moveDeferral,
  deferralsLeft,
  items,
  setItem,
  deleteItem,
  taxCodes,
  insertTaxCode,
  workOut,
  approveOne,
  insertDraft,
  draftInput,
  takeOrders
};
