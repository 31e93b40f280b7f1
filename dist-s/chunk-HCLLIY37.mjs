import {
  sealAnew
} from "./chunk-55UEKTAP.mjs";
import {
  mailServerOf
} from "./chunk-KO2L2HI2.mjs";
import {
  ENTRIES,
  ENTRY_LINES,
  POSTINGS
} from "./chunk-IAIVUFHX.mjs";
import {
  takeSmtpUrl,
  writeSettings
} from "./chunk-WZI5MHZ3.mjs";
import {
  add,
  convert,
  currencyOf,
  isBookDay,
  isEmailAddress,
  minor,
  mulDiv,
  negate
} from "./chunk-HBIDXRTT.mjs";
import {
  fail,
  ok
} from "./chunk-V6I26S2F.mjs";
import {
  withFiles
} from "./chunk-VIXS4KXC.mjs";

// src/server/runtime/folders.ts
import { existsSync, mkdirSync, readdirSync } from "node:fs";
import { join, resolve } from "node:path";
function dataFolder() {
  return process.env.DOZO_DATA ? resolve(process.env.DOZO_DATA) : join(process.env.DOZO_ROOT ?? process.cwd(), "data");
}
function backupsFolder() {
  return process.env.DOZO_BACKUPS ? resolve(process.env.DOZO_BACKUPS) : `${dataFolder()}-backups`;
}
var BOOK_NAME = /^[a-z0-9](?:[a-z0-9-]{0,60}[a-z0-9])?$/;
function isBookName(text) {
  return BOOK_NAME.test(text);
}
function bookFolder(book) {
  if (!isBookName(book)) throw new Error("not a book's name");
  return join(dataFolder(), "books", book);
}
function bookFile(book) {
  return join(bookFolder(book), "book.sqlite");
}
function secretsFile(book) {
  return join(bookFolder(book), "secrets.json");
}
function mailboxLookFile(book) {
  return join(bookFolder(book), "mailbox.json");
}
function practiceFile(book) {
  return join(bookFolder(book), "practice.sqlite");
}
function keptFile(book, sha256) {
  if (!/^[0-9a-f]{64}$/.test(sha256)) throw new Error("not a SHA-256");
  return join(bookFolder(book), "files", sha256);
}
function outboxFile(book, name2) {
  return join(outboxFolder(book), name2);
}
var outboxFolder = (book) => join(bookFolder(book), "outbox");
function makeBookFolders(book) {
  for (const name2 of ["files", "outbox"])
    mkdirSync(join(bookFolder(book), name2), { recursive: true });
}
function bookExists(book) {
  return isBookName(book) && existsSync(bookFile(book));
}
var inTheMaking = (book) => `${book}${MAKING}`;
var MAKING = "-in-the-making";
var isInTheMaking = (book) => book.endsWith(MAKING);
function listBooks() {
  const folder = join(dataFolder(), "books");
  return existsSync(folder) ? readdirSync(folder).filter((book) => bookExists(book) && !isInTheMaking(book)).sort() : [];
}
function arrivedFile(book, name2) {
  if (!/^[^/\\\0]{1,200}$/.test(name2) || name2.startsWith(".")) throw new Error("not a file's name");
  return join(bookFolder(book), "arrived", name2);
}
function arrivedFiles(book) {
  const folder = join(bookFolder(book), "arrived");
  return existsSync(folder) ? readdirSync(folder).filter((name2) => !name2.startsWith(".")).sort() : [];
}

// src/server/runtime/secrets.ts
import { existsSync as existsSync2, readFileSync, renameSync, rmSync, writeFileSync } from "node:fs";
function readAll(book) {
  const path = secretsFile(book);
  return existsSync2(path) ? JSON.parse(readFileSync(path, "utf8")) : {};
}
function secretOf(book, name2) {
  return readAll(book)[name2] ?? null;
}
function keepSecret(book, name2, secret) {
  const all = { ...readAll(book), [name2]: secret ?? void 0 };
  const path = secretsFile(book);
  if (Object.values(all).every((kept) => kept === void 0)) return rmSync(path, { force: true });
  writeFileSync(`${path}.part`, JSON.stringify(all), { mode: 384 });
  renameSync(`${path}.part`, path);
}

// src/server/runtime/books.ts
import { renameSync as renameSync2, rmSync as rmSync2 } from "node:fs";

// src/contracts/settings.ts
import { z as z3 } from "zod";

// src/contracts/values.ts
import { z as z2 } from "zod";

// src/contracts/problems.ts
import { z } from "zod";
function problemInWords(issue) {
  switch (issue.code) {
    case "too_big":
      return isCounted(issue) ? `at most ${issue.maximum} ${partsOf(issue.origin, Number(issue.maximum))}, please.` : `${issue.maximum} is the most.`;
    case "too_small":
      if (!isCounted(issue))
        return issue.inclusive === false ? `more than ${issue.minimum}, please.` : `${issue.minimum} is the least.`;
      return issue.minimum === 1 ? "it is empty." : `at least ${issue.minimum} ${partsOf(issue.origin, Number(issue.minimum))}, please.`;
    case "invalid_type":
      return issue.input === void 0 ? "it is missing." : `it is no ${TYPES[issue.expected]}.`;
    case "invalid_format":
      return FORMATS[issue.format];
    case "invalid_value":
      return `use one of ${issue.values.map(String).join(", ")}.`;
    case "unrecognized_keys":
      return `there is no ${issue.keys.join(", ")} here.`;
    default:
      return void 0;
  }
}
var isCounted = ({ origin }) => origin === "string" || origin === "array";
var partsOf = (origin, count) => {
  if (origin === "array") return count === 1 ? "entry" : "entries";
  return count === 1 ? "letter" : "letters";
};
var TYPES = {
  string: "text",
  number: "number",
  int: "whole number",
  boolean: "yes or no",
  array: "list",
  object: "set of fields",
  record: "set of fields"
};
var FORMATS = {
  date: "write a day like 2026-11-24.",
  email: "write an e-mail address like office@example.com.",
  url: "write an address like https://example.com."
};
z.config({ customError: problemInWords });
var FIELDS = {
  name: "Name",
  book: "Name in the address",
  code: "Short name",
  cutOverOn: "Cut-over day",
  replyTo: "Letters come from",
  payerName: "From",
  paidOn: "Day",
  onDay: "Day",
  reference: "Memo",
  amount: "Sum",
  why: "Why",
  saveAs: "Name of the mapping",
  host: "Mail server",
  linkBase: "Address of this server for customers"
};
function fieldInWords(path) {
  const name2 = String(path.findLast((part) => typeof part === "string") ?? "");
  const line = path.find((part) => typeof part === "number");
  const words = FIELDS[name2] ?? spaced(name2);
  return line === void 0 ? words : `${words}, line ${Number(line) + 1}`;
}
var spaced = (name2) => name2.replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`).replace(/^./, (first) => first.toUpperCase());
function firstProblem({ issues }, otherwise) {
  const [first] = issues;
  const where = first ? fieldInWords(first.path) : "";
  return { where: where || otherwise, what: first?.message ?? "it cannot be read." };
}

// src/contracts/values.ts
var isoDay = z2.iso.date().refine(isBookDay, "a day from 1900 to 2199, please.").transform((text) => text);
var emailAddress = z2.string().trim().refine(isEmailAddress, "An e-mail address is needed, like office@example.com.");
var code = z2.string().trim().regex(/^[a-z0-9][a-z0-9-]{0,30}$/, "Use small letters, digits and hyphens.");
var name = z2.string().trim().min(1, "A name is needed.").max(200);
var currencyCode = z2.string().transform((text, context) => {
  const found = currencyOf(text);
  if (!found) context.addIssue({ code: "custom", message: "Use a code of ISO 4217, like USD." });
  return found ?? "USD";
});
var country = z2.string().regex(/^[A-Z]{2}$/, "A country by its two letters, like US.");
var timeZone = z2.string().refine(isTimeZone, "Use a time zone, like America/Chicago.");
function isTimeZone(text) {
  try {
    new Intl.DateTimeFormat("en", { timeZone: text });
    return true;
  } catch {
    return false;
  }
}

// src/contracts/settings.ts
var mailServerSchema = z3.object({
  host: z3.string().trim().toLowerCase().max(253).regex(
    /^(?:[a-z0-9]|[a-z0-9][a-z0-9.:-]*[a-z0-9])$/,
    "A name or an address, like mail.example.com."
  ),
  port: z3.number().int().min(1).max(65535),
  /** TLS from the first byte (RFC 8314); else it is asked for once connected (STARTTLS). */
  secure: z3.boolean(),
  user: z3.string().trim().min(1).max(200).nullable()
});
var mailboxSchema = mailServerSchema.extend({
  user: z3.string().trim().min(1, "The name of the mailbox, often its address.").max(200),
  from: z3.array(
    z3.string().trim().toLowerCase().refine(
      (text) => isEmailAddress(text.startsWith("@") ? `x${text}` : text),
      "An address like ann@example.com, or @example.com for everybody there."
    )
  ).max(100)
});
var bookSchema = z3.object({
  name,
  currency: currencyCode,
  timeZone,
  country: country.default("US"),
  cutOverOn: isoDay,
  replyTo: emailAddress,
  clock: isoDay.nullable().default(null)
});

// src/core/ledger/chart.ts
var FEE_ACCOUNTS = {
  processing: { code: "6000", name: "Processing fees", role: "fees", of: null },
  dispute: { code: "6010", name: "Dispute fees", role: "fees", of: "dispute" },
  return: { code: "6020", name: "Return fees paid", role: "fees", of: "return" }
};
var DEFAULT_CHART = [
  { code: "1050", name: "Checks and cash on hand", role: "on_hand", of: null },
  { code: "1200", name: "Accounts receivable", role: "receivables", of: null },
  { code: "1210", name: "Disputed receipts", role: "disputed", of: null },
  { code: "1290", name: "Allowance for doubtful debts", role: "allowance", of: null },
  { code: "1300", name: "Reserve held by processors", role: "reserve", of: null },
  { code: "2100", name: "Credit on account", role: "credits", of: null },
  { code: "2110", name: "Receipts not identified", role: "unidentified", of: null },
  { code: "2200", name: "Sales tax payable", role: "tax", of: null },
  { code: "2300", name: "Processing fees accrued", role: "fees_accrued", of: null },
  { code: "2400", name: "Parked, due to or from others", role: "parked", of: null },
  { code: "3000", name: "Opening balances", role: "opening", of: null },
  { code: "4000", name: "Sales", role: "income", of: null },
  { code: "4100", name: "Early-payment discounts", role: "discounts", of: null },
  { code: "4200", name: "Late fees charged", role: "late_fees", of: null },
  { code: "4210", name: "Return fees charged", role: "return_fees", of: null },
  { code: "4220", name: "Surcharges", role: "surcharges", of: null },
  { code: "4800", name: "Other income", role: "other", of: null },
  ...Object.values(FEE_ACCOUNTS),
  { code: "6050", name: "Adjustments by processors", role: "other", of: "adjustments" },
  { code: "6100", name: "Small differences", role: "small_differences", of: null },
  { code: "6200", name: "Bad debt", role: "bad_debt", of: null },
  { code: "6210", name: "Recoveries", role: "recoveries", of: null },
  { code: "6300", name: "Exchange gain or loss", role: "exchange", of: null },
  { code: "9000", name: "Elsewhere in the bank", role: "elsewhere", of: null }
];
function accountFor(accounts2, ref) {
  const sameRole = accounts2.filter((account) => account.role === ref.role);
  return sameRole.find((account) => account.of === (ref.of ?? null)) ?? sameRole.find((account) => account.of === null);
}
function nextCode(taken, role) {
  const start = role === "clearing" ? 1100 : 1e3;
  for (let code2 = start; ; code2 += role === "clearing" ? 10 : 5)
    if (!taken.has(String(code2))) return String(code2);
}

// src/core/ledger/entry.ts
function inBook(amount, currency) {
  return { amount: minor(amount), currency, book: minor(amount) };
}
function debit(account, sum, item = null) {
  return { account, sum, item };
}
function credit(account, sum, item = null) {
  return { account, sum: negated(sum), item };
}
function negated(sum) {
  return { amount: negate(sum.amount), currency: sum.currency, book: negate(sum.book) };
}
function total(sums, currency) {
  if (sums.some((sum) => sum.currency !== currency))
    throw new RangeError("sums of several currencies are not added");
  return {
    amount: add(...sums.map((sum) => sum.amount)),
    currency,
    book: add(...sums.map((sum) => sum.book))
  };
}
function foots(entry2) {
  return entry2.lines.length >= 2 && add(...entry2.lines.map((line) => line.sum.book)) === 0;
}

// src/core/ledger/roles.ts
var R = { role: "receivables" };
var U = { role: "unidentified" };
var K = { role: "credits" };
var D = { role: "disputed" };
var F = { role: "fees" };
var H = { role: "on_hand" };
var clearing = (of) => ({ role: "clearing", of });
var bank = (of) => ({ role: "bank", of });
var openItem = (id) => ({ kind: "open_item", id });
var receiptItem = (id) => ({ kind: "receipt", id });
function entry(event, head, lines) {
  return {
    event,
    postedOn: head.on,
    document: head.document,
    partyId: head.partyId ?? null,
    lines
  };
}

// src/core/ledger/returnPostings.ts
function postRefund(head) {
  const item = head.receiptId === null ? { kind: "processor_item", id: head.processorItemId } : receiptItem(head.receiptId);
  return entry("refund", head, [
    debit({ role: head.from }, head.sum, item),
    credit(clearing(head.processor), head.sum, {
      kind: "processor_item",
      id: head.processorItemId
    })
  ]);
}
function postDispute(head) {
  const item = { kind: "processor_item", id: head.processorItemId };
  return entry("dispute", head, [
    debit(D, head.sum, item),
    credit(clearing(head.processor), head.sum, item)
  ]);
}
function postDisputeLost(head) {
  return entry("dispute", head, [
    ...takenBack(head.receiptId, head.went),
    credit(D, head.sum, { kind: "processor_item", id: head.disputeItemId })
  ]);
}
function postAchReturn(head) {
  return entry("ach_return", head, [
    ...takenBack(head.receiptId, head.went),
    credit(clearing(head.processor), head.sum, {
      kind: "processor_item",
      id: head.processorItemId
    })
  ]);
}
var PARTS_TAKEN_BACK = [
  ["unidentified", U],
  ["credits", K],
  ["parked", { role: "parked" }],
  ["income", { role: "other" }],
  ["surcharge", { role: "surcharges" }],
  ["recovered", { role: "recoveries" }]
];
function takenBack(receiptId, went) {
  return [
    ...PARTS_TAKEN_BACK.flatMap(([part, account]) => {
      const sum = went[part];
      return sum ? [debit(account, sum, receiptItem(receiptId))] : [];
    }),
    ...went.items.flatMap(itemTakenBack)
  ];
}
function itemTakenBack({
  itemId,
  sum,
  discount,
  smallDifference,
  writeOff = "small",
  discountTax = null,
  writeOffTax = null
}) {
  const given = (part) => part !== null && part.amount !== 0;
  const writtenOffTo = { role: writeOff === "small" ? "small_differences" : "bad_debt" };
  return [
    debit(
      R,
      total([sum, ...[discount, smallDifference].filter(given)], sum.currency),
      openItem(itemId)
    ),
    ...given(discount) ? withTax({ role: "discounts" }, discount, discountTax) : [],
    ...given(smallDifference) ? withTax(writtenOffTo, smallDifference, writeOffTax) : []
  ];
}
function withTax(account, sum, tax) {
  return tax === null || tax.amount === 0 ? [credit(account, sum)] : [credit(account, total([sum, negated(tax)], sum.currency)), credit({ role: "tax" }, tax)];
}
function postBounced(head) {
  return entry("deposit", head, [
    ...takenBack(head.receiptId, head.went),
    credit(bank(head.bank), head.sum, { kind: "bank_line", id: head.bankLineId })
  ]);
}

// src/core/ledger/postings.ts
function postOpening(head) {
  return entry("opening", head, [
    debit(head.account, head.sum, head.item),
    credit({ role: "opening" }, head.sum)
  ]);
}
function postReceiptSettled(head) {
  return entry("receipt", head, [
    debit(clearing(head.processor), head.gross, {
      kind: "processor_item",
      id: head.processorItemId
    }),
    credit(U, head.gross, receiptItem(head.receiptId))
  ]);
}
function postReceiptAtBank(head) {
  return entry("receipt", head, [
    debit(bank(head.bank), head.sum, { kind: "bank_line", id: head.bankLineId }),
    credit(U, head.sum, receiptItem(head.receiptId))
  ]);
}
function postReceiptByHand(head) {
  return entry("receipt", head, [
    debit(H, head.sum, receiptItem(head.receiptId)),
    credit(U, head.sum, receiptItem(head.receiptId))
  ]);
}
function postIdentified(head) {
  return entry("identify", head, [
    debit(U, head.sum, receiptItem(head.receiptId)),
    credit(K, head.sum, receiptItem(head.receiptId))
  ]);
}
function postApplied(head) {
  const currency = head.to[0]?.sum.currency;
  if (!currency) throw new RangeError("nothing to apply");
  return entry("apply", head, [
    debit(
      head.from === "unidentified" ? U : K,
      total(
        head.to.map(({ sum }) => sum),
        currency
      ),
      receiptItem(head.receiptId)
    ),
    ...head.to.map(({ itemId, sum }) => credit(R, sum, openItem(itemId)))
  ]);
}
function postSurcharge(head) {
  return entry("surcharge", head, [
    debit(U, head.sum, receiptItem(head.receiptId)),
    credit({ role: "surcharges" }, head.sum, receiptItem(head.receiptId))
  ]);
}
function postOtherIncome(head) {
  return entry("other_income", head, [
    debit(U, head.sum, receiptItem(head.receiptId)),
    credit({ role: "other" }, head.sum, receiptItem(head.receiptId))
  ]);
}
function postSetAside(head) {
  return entry("park", head, [
    debit(U, head.sum, receiptItem(head.receiptId)),
    credit({ role: "parked" }, head.sum, receiptItem(head.receiptId))
  ]);
}
function postReversal(of, on) {
  return {
    ...of,
    event: "reversal",
    postedOn: on,
    lines: of.lines.map((line) => ({ ...line, sum: negated(line.sum) }))
  };
}

// src/core/ledger/bankPostings.ts
function postDeposited(head) {
  const currency = head.receipts[0]?.sum.currency;
  if (!currency) throw new RangeError("a deposit has at least one receipt");
  return entry("deposit", head, [
    debit(
      bank(head.bank),
      total(
        head.receipts.map(({ sum }) => sum),
        currency
      ),
      { kind: "bank_line", id: head.bankLineId }
    ),
    ...head.receipts.map(({ receiptId, sum }) => credit(H, sum, receiptItem(receiptId)))
  ]);
}
function postBankFee(head) {
  return entry("fee", head, [
    debit({ role: "fees", of: head.kind }, head.sum),
    credit(bank(head.bank), head.sum, { kind: "bank_line", id: head.bankLineId })
  ]);
}
function postElsewhere(head) {
  return entry("elsewhere", head, [
    debit(bank(head.bank), head.sum, { kind: "bank_line", id: head.bankLineId }),
    credit(
      head.account === void 0 ? { role: "elsewhere" } : { role: "elsewhere", of: head.account },
      head.sum
    )
  ]);
}

// src/core/ledger/processorPostings.ts
function postFee(head) {
  return entry("fee", head, [
    debit({ role: "fees", of: head.kind }, head.sum),
    credit(clearing(head.processor), head.sum, {
      kind: "processor_item",
      id: head.processorItemId
    })
  ]);
}
function postAdjustment(head) {
  return entry("adjustment", head, [
    debit(clearing(head.processor), head.sum, { kind: "processor_item", id: head.processorItemId }),
    credit({ role: "other", of: "adjustments" }, head.sum)
  ]);
}
function postReserve(head) {
  const item = { kind: "processor_item", id: head.processorItemId };
  return entry("reserve", head, [
    debit({ role: "reserve" }, head.sum, item),
    credit(clearing(head.processor), head.sum, item)
  ]);
}
function postPayoutTied(head) {
  const currency = head.lines[0]?.sum.currency;
  if (!currency) throw new RangeError("a payout is tied to at least one bank line");
  return entry("payout", head, [
    ...head.lines.map(
      ({ bankLineId, sum }) => debit(bank(head.bank), sum, { kind: "bank_line", id: bankLineId })
    ),
    credit(
      clearing(head.processor),
      head.net ?? total(
        head.lines.map(({ sum }) => sum),
        currency
      ),
      { kind: "payout", id: head.payoutId }
    )
  ]);
}
function postParkedDifference(head) {
  const item = { kind: "processor_item", id: head.processorItemId };
  return entry("park", head, [
    debit(clearing(head.processor), head.sum, item),
    credit({ role: "parked" }, head.sum, item)
  ]);
}

// src/core/ledger/itemPostings.ts
function postSetOff(head) {
  return entry("apply", head, [
    debit(R, head.sum, openItem(head.creditItemId)),
    credit(R, head.sum, openItem(head.itemId))
  ]);
}
var EARNED_LATER = {
  deposits: { role: "other", of: "deposits" },
  deferred: { role: "other", of: "deferred" }
};
function postInvoice(head) {
  return entry("invoice", head, invoiceLines(head));
}
function postCreditNote(head) {
  return entry(
    "credit_note",
    head,
    invoiceLines(head).map((line) => ({ ...line, sum: negated(line.sum) }))
  );
}
function invoiceLines({ itemId, income, taxes, instalments }) {
  const sums = [...income, ...taxes].map(({ sum }) => sum);
  const currency = sums[0]?.currency;
  if (!currency) throw new RangeError("an invoice has at least one line of income");
  return [
    ...(instalments ?? [{ itemId, sum: total(sums, currency) }]).map(
      (part) => debit(R, part.sum, openItem(part.itemId))
    ),
    ...income.map(({ to = { role: "income" }, sum }) => credit(to, sum)),
    ...taxes.filter(({ sum }) => sum.amount !== 0).map(({ to = { role: "tax" }, sum }) => credit(to, sum))
  ];
}
function postEarned(head) {
  return entry("invoice", head, [
    debit(EARNED_LATER.deferred, head.sum),
    credit(head.income, head.sum)
  ]);
}
function postDiscount(head) {
  return entry("discount", head, [
    ...lessTax({ role: "discounts" }, head.sum, head.tax),
    credit(R, head.sum, openItem(head.itemId))
  ]);
}
function postSmallDifference(head) {
  return entry("write_off", head, [
    debit({ role: "small_differences" }, head.sum),
    credit(R, head.sum, openItem(head.itemId))
  ]);
}
function postBadDebt(head) {
  return entry("write_off", head, [
    ...lessTax({ role: "bad_debt" }, head.sum, head.tax),
    credit(R, head.sum, openItem(head.itemId))
  ]);
}
function lessTax(account, sum, tax) {
  return tax === null || tax.amount === 0 ? [debit(account, sum)] : [debit(account, total([sum, negated(tax)], sum.currency)), debit({ role: "tax" }, tax)];
}

// src/core/ledger/customerCharges.ts
function postReturnFeeCharged(head) {
  return entry("late_fee", head, [
    debit(R, head.sum, openItem(head.itemId)),
    credit({ role: "return_fees" }, head.sum)
  ]);
}
function postLateFee(head) {
  return entry("late_fee", head, [
    debit(R, head.sum, openItem(head.itemId)),
    credit({ role: "late_fees" }, head.sum)
  ]);
}
function postFeeAccrued(head) {
  return entry("fee_accrual", head, [
    debit(F, head.sum),
    credit({ role: "fees_accrued" }, head.sum, head.document)
  ]);
}
function postFeeBilled(head) {
  const more = {
    amount: head.billed.amount - head.accrued.amount,
    currency: head.billed.currency,
    book: head.billed.book - head.accrued.book
  };
  return entry("fee", head, [
    debit({ role: "fees_accrued" }, head.accrued, head.document),
    ...more.book === 0 ? [] : [debit(F, more)],
    credit(bank(head.bank), head.billed, { kind: "bank_line", id: head.bankLineId })
  ]);
}
function postAllowance(head) {
  return entry("allowance", head, [
    debit({ role: "bad_debt" }, head.by),
    credit({ role: "allowance" }, head.by)
  ]);
}
function postRecovery(head) {
  return entry("recovery", head, [
    debit(U, head.sum, receiptItem(head.receiptId)),
    credit({ role: "recoveries" }, head.sum, receiptItem(head.receiptId))
  ]);
}
function postRefundAtBank(head) {
  return entry("refund", head, [
    debit(K, head.sum, receiptItem(head.receiptId)),
    credit(bank(head.bank), head.sum, { kind: "bank_line", id: head.bankLineId })
  ]);
}

// src/core/ledger/proofs.ts
function prove(sides, work) {
  const proofs = sides.map(({ name: name2, journal, documents, strays = 0 }) => {
    const off = add(journal, -documents);
    return { name: name2, journal, documents, off, holds: off === 0 && strays === 0 };
  });
  return {
    proofs,
    work: work.filter((openWork) => openWork.count > 0),
    holds: proofs.every((proof) => proof.holds)
  };
}

// src/core/ledger/valuation.ts
function valued(draft, book, carried, rate) {
  const parts = draft.lines.map(
    (line) => line.sum.currency === book ? { line, lowers: NOTHING, fresh: 0 } : partOf(line, carried(line))
  );
  const own = parts.reduce((sum, { lowers }) => sum + Math.abs(lowers.amount), 0);
  const value = parts.reduce((sum, { lowers }) => sum + Math.abs(lowers.book), 0);
  const freshValue = ({ line, fresh }) => {
    if (fresh === 0) return minor(0);
    if (own === 0) return convert(fresh, line.sum.currency, book, rate(line.sum.currency));
    return mulDiv(fresh, value, own, "half-even");
  };
  const lines = parts.map(
    (part) => part.line.sum.currency === book ? part.line : withBook(part.line, add(part.lowers.book, freshValue(part)))
  );
  const off = add(...lines.map(({ sum }) => sum.book));
  if (off === 0) return { ...draft, lines };
  const largest = parts.reduce(
    (best, { fresh }, at) => Math.abs(fresh) > Math.abs(parts[best]?.fresh ?? 0) ? at : best,
    0
  );
  if (Math.abs(off) <= lines.length && (parts[largest]?.fresh ?? 0) !== 0)
    return {
      ...draft,
      lines: lines.map(
        (line, at) => at === largest ? withBook(line, add(line.sum.book, negate(off))) : line
      )
    };
  return {
    ...draft,
    lines: [
      ...lines,
      {
        account: { role: "exchange" },
        sum: { amount: negate(off), currency: book, book: negate(off) },
        item: null
      }
    ]
  };
}
var NOTHING = { amount: 0, book: 0 };
function partOf(line, stands) {
  const by = line.sum.amount;
  if (stands.amount === 0 || by === 0 || Math.sign(stands.amount) === Math.sign(by))
    return { line, lowers: NOTHING, fresh: by };
  const covered = Math.min(Math.abs(by), Math.abs(stands.amount)) * Math.sign(by);
  const book = Math.abs(covered) === Math.abs(stands.amount) ? -stands.book : mulDiv(stands.book, covered, stands.amount, "half-even");
  return { line, lowers: { amount: covered, book }, fresh: by - covered };
}
function withBook(line, book) {
  return { ...line, sum: { ...line.sum, book } };
}
function postRevalued(head, { documents, currency, book, rate }) {
  const lines = documents.flatMap(({ account, item, amount, book: stands }) => {
    const by = add(convert(amount, currency, book, rate), negate(minor(stands)));
    return by === 0 ? [] : [{ account, item, sum: { amount: minor(0), currency, book: by } }];
  });
  if (lines.length === 0) return null;
  const all = add(...lines.map(({ sum }) => sum.book));
  return {
    event: "exchange",
    partyId: null,
    ...head,
    lines: [
      ...lines,
      {
        account: { role: "exchange" },
        item: null,
        sum: { amount: negate(all), currency: book, book: negate(all) }
      }
    ]
  };
}

// src/db/hold.ts
import Database from "better-sqlite3";
import { existsSync as existsSync3 } from "node:fs";
var Hold = class _Hold {
  constructor(raw) {
    this.raw = raw;
  }
  raw;
  /** Holds along with others; null where somebody has claimed it. */
  static share(path) {
    return held(path, "BEGIN; SELECT count(*) FROM sqlite_schema");
  }
  /** Holds alone; null where anybody holds it. */
  static claim(path) {
    return held(path, "BEGIN EXCLUSIVE");
  }
  static of(raw) {
    return new _Hold(raw);
  }
  release() {
    this.raw?.close();
  }
};
function held(path, how) {
  let raw = null;
  try {
    raw = new Database(path, { timeout: 0 });
    raw.exec(how);
    return Hold.of(raw);
  } catch (error) {
    raw?.close();
    const code2 = error.code ?? "";
    if (code2.startsWith("SQLITE_BUSY")) return null;
    if (!existsSync3(path) || code2.startsWith("SQLITE_READONLY")) return Hold.of(null);
    throw error;
  }
}

// src/db/opening.ts
import Database2 from "better-sqlite3";
import { mkdirSync as mkdirSync2 } from "node:fs";
import { dirname } from "node:path";

// src/db/inode.ts
import { statSync } from "node:fs";
function inodeOf(path) {
  const found = statSync(path, { throwIfNoEntry: false });
  return found ? { dev: found.dev, ino: found.ino } : null;
}

// src/db/pending.ts
var TOGETHER = 32;
var MOST = 2048;
var Pending = class {
  constructor(raw, order) {
    this.raw = raw;
    this.order = order;
  }
  raw;
  order;
  tables = /* @__PURE__ */ new Map();
  count = 0;
  /** Takes a row in; gives its id, 0 where the table has none. */
  add(table, values) {
    const waiting = this.waitingFor(table);
    if (waiting.of.isRun === true && followsOn(waiting.values, values)) return 0;
    if (this.count >= MOST) this.write();
    this.count += 1;
    if (!waiting.of.isNumbered) {
      waiting.values.push(...values);
      return 0;
    }
    const id = waiting.nextId ??= this.lastId(table) + 1;
    waiting.nextId = id + 1;
    waiting.values.push(id, ...values);
    return id;
  }
  /** Writes what waits. */
  write() {
    if (this.count === 0) return;
    this.count = 0;
    for (const { table } of this.order) {
      const waiting = this.tables.get(table);
      if (waiting) writeAll(waiting);
    }
  }
  /** Forgets what waits, as what it was part of is rolled back. */
  drop() {
    this.tables.clear();
    this.count = 0;
  }
  /** Others may write to the tables from here on: ids are asked for anew. */
  forgetIds() {
    for (const waiting of this.tables.values()) waiting.nextId = null;
  }
  lastId(table) {
    const { last } = this.raw.prepare(`SELECT coalesce(max(id), 0) AS last FROM "${table}"`).get();
    return last;
  }
  waitingFor(table) {
    const known = this.tables.get(table);
    if (known) return known;
    const of = this.order.find((gathering) => gathering.table === table);
    if (!of) throw new Error(`rows of ${table} are not gathered`);
    const columns = of.isNumbered ? ["id", ...of.columns] : of.columns;
    const row = `(${columns.map(() => "?").join(", ")})`;
    const head = `INSERT INTO "${table}" (${columns.join(", ")}) VALUES`;
    const waiting = {
      of,
      many: this.raw.prepare(`${head} ${Array(TOGETHER).fill(row).join(", ")}`),
      one: this.raw.prepare(`${head} ${row}`),
      values: [],
      nextId: null
    };
    this.tables.set(table, waiting);
    return waiting;
  }
};
function followsOn(waiting, [first, last]) {
  const end = waiting.at(-1);
  if (typeof end !== "number" || end + 1 !== first || last === void 0) return false;
  waiting[waiting.length - 1] = last;
  return true;
}
function writeAll(waiting) {
  const { of, many, one, values } = waiting;
  const width = of.columns.length + (of.isNumbered ? 1 : 0);
  let from = 0;
  for (; from + width * TOGETHER <= values.length; from += width * TOGETHER)
    many.run(...values.slice(from, from + width * TOGETHER));
  for (; from < values.length; from += width) one.run(...values.slice(from, from + width));
  waiting.values = [];
}

// src/db/connection.ts
var Db = class {
  constructor(raw, path, hold = null) {
    this.raw = raw;
    this.path = path;
    this.hold = hold;
    this.inode = inodeOf(path);
  }
  raw;
  path;
  hold;
  statements = /* @__PURE__ */ new Map();
  /** Rows that wait to be inserted together; null where each is written at once. */
  pending = null;
  inode;
  id = null;
  /** The id of the book that the file holds. */
  bookId() {
    return this.get("SELECT id FROM identity")?.id ?? "";
  }
  /**
   * Whether the file that was opened is still what lies under its name: another may have been put in
   * its place, and what is written here would be gone with the old one.
   */
  fileState() {
    const now = inodeOf(this.path);
    if (now === null) return "gone";
    this.id ??= this.bookId();
    return now.dev === this.inode?.dev && now.ino === this.inode.ino && this.bookId() === this.id ? "same" : "replaced";
  }
  /** Whether this connection cannot write: what it reads is committed and stays. */
  get readsOnly() {
    return this.raw.readonly;
  }
  /** All rows. `Row` must name the columns as the SQL does; this cast is the row mapper's. */
  all(sql, ...values) {
    const { statement, numbered } = this.statement(sql);
    return statement.all(...bound(numbered, values));
  }
  /** Row by row, so that not all are held in memory; nothing else may be asked for meanwhile. */
  each(sql, ...values) {
    const { statement, numbered } = this.statement(sql);
    return statement.iterate(...bound(numbered, values));
  }
  /**
   * Rows by the ten thousand, in no order: SQLite writes them as one JSON text,
   * which is read several times as fast as row by row. `columns` gives the
   * expression of each field; `from` is all that follows FROM.
   */
  many(columns, from) {
    const fields = Object.keys(columns);
    const empty = Object.fromEntries(fields.map((field) => [field, null]));
    return this.lists(
      fields.map((field) => columns[field]),
      `FROM ${from}`
    ).map((values) => {
      const row = { ...empty };
      for (let at = 0; at < fields.length; at += 1)
        row[fields[at]] = values[at];
      return row;
    });
  }
  /** The same, each row as the list of its columns. */
  lists(columns, from, ...values) {
    const found = this.get(
      `SELECT json_group_array(json_array(${columns.join(", ")})) AS rows ${from}`,
      ...values
    );
    return JSON.parse(found?.rows ?? "[]");
  }
  /** The ids that a query gives, as `id`. */
  ids(sql, ...values) {
    return new Set(this.all(sql, ...values).map(({ id }) => id));
  }
  get(sql, ...values) {
    const { statement, numbered } = this.statement(sql);
    return statement.get(...bound(numbered, values));
  }
  /** Runs a statement that writes; gives the id of a row it inserted. */
  run(sql, ...values) {
    const { statement, numbered } = this.statement(sql);
    const info = statement.run(...bound(numbered, values));
    return { id: Number(info.lastInsertRowid), changes: info.changes };
  }
  /** Inserts a row; gives its id. The table's columns are named in `of`, all of them by it. */
  insert(of, ...values) {
    if (this.pending) return this.pending.add(of.table, values);
    const marks = of.columns.map(() => "?").join(", ");
    return this.run(
      `INSERT INTO "${of.table}" (${of.columns.join(", ")}) VALUES (${marks})`,
      ...values
    ).id;
  }
  /**
   * While `work` runs within a transaction, rows of some tables wait until there are many, or until
   * anything else is asked of the file. `order`: a table before those that name it.
   */
  gathering(order, work) {
    this.pending = new Pending(this.raw, order);
    try {
      const done = work();
      this.pending.write();
      return done;
    } finally {
      this.pending = null;
    }
  }
  /** All of `work` or nothing. It must not be async: the transaction would end before it. */
  transaction(work) {
    return this.raw.transaction(work).immediate();
  }
  /** A part of a transaction, all of it or nothing: what it wrote goes back where it throws. */
  savepoint(work) {
    this.settle();
    try {
      return this.raw.transaction(() => {
        const done = work();
        this.settle();
        return done;
      })();
    } catch (error) {
      this.pending?.drop();
      throw error;
    }
  }
  /** Rows that were written but are not wanted after all: a dry run. */
  rehearse(work) {
    this.raw.exec("BEGIN IMMEDIATE");
    try {
      return work();
    } finally {
      this.raw.exec("ROLLBACK");
    }
  }
  exec(sql) {
    this.settle();
    this.raw.exec(sql);
  }
  /**
   * A number that changes with every commit that did not come from this connection: of the program
   * itself, of another, or of whoever wrote to the file from outside.
   * @see https://www.sqlite.org/pragma.html#pragma_data_version
   */
  fileVersion() {
    return this.raw.pragma("data_version", { simple: true });
  }
  backup(to) {
    return this.raw.backup(to);
  }
  close() {
    this.statements.clear();
    this.raw.close();
    this.hold?.release();
  }
  /** What waits is written before anything else is done. */
  settle() {
    this.pending?.write();
    this.pending?.forgetIds();
  }
  statement(sql) {
    this.settle();
    const known = this.statements.get(sql);
    if (known) return known;
    const made = { statement: this.raw.prepare(sql), numbered: /\?\d/.test(sql) };
    if (this.statements.size >= MOST_STATEMENTS) this.statements.clear();
    this.statements.set(sql, made);
    return made;
  }
};
var MOST_STATEMENTS = 1e3;
function bound(numbered, values) {
  return numbered ? [Object.fromEntries(values.map((value, at) => [String(at + 1), value]))] : values;
}

// src/db/identity.ts
import { existsSync as existsSync5, statSync as statSync2 } from "node:fs";

// src/db/migrate.ts
import { readdirSync as readdirSync2, readFileSync as readFileSync2 } from "node:fs";
import { join as join2 } from "node:path";

// src/db/freeName.ts
import { existsSync as existsSync4 } from "node:fs";
function freeName(path) {
  for (let count = 1; ; count += 1) {
    const name2 = count === 1 ? path : `${path}-${count}`;
    if (!existsSync4(name2)) return name2;
  }
}

// src/db/migrate.ts
function migrationFiles() {
  const folder = join2(process.env.DOZO_ROOT ?? process.cwd(), "src/db/migrations");
  return readdirSync2(folder).filter((name2) => name2.endsWith(".sql")).sort().map((name2) => ({ number: Number.parseInt(name2, 10), path: join2(folder, name2) }));
}
function schemaVersion(raw) {
  return Number(raw.pragma("user_version", { simple: true }));
}
function newestSchema() {
  return migrationFiles().at(-1)?.number ?? 0;
}
function migrate(raw, path) {
  const from = schemaVersion(raw);
  const todo = migrationFiles().filter(({ number }) => number > from);
  if (todo.length === 0) return false;
  if (from > 0) {
    const copy = freeName(`${path}.before-${todo[0]?.number}`);
    raw.exec(`VACUUM INTO '${copy.replaceAll("'", "''")}'`);
  }
  raw.pragma("foreign_keys = OFF");
  for (const { number, path: file } of todo) {
    raw.transaction(() => {
      raw.exec(readFileSync2(file, "utf8"));
      const broken = raw.pragma("foreign_key_check");
      if (broken.length > 0)
        throw new Error(`migration ${number} leaves ${broken.length} references broken`);
      raw.pragma(`user_version = ${number}`);
    }).immediate();
  }
  raw.pragma("foreign_keys = ON");
  return true;
}

// src/db/identity.ts
var APPLICATION_ID = 1148156527;
var LAST_WITHOUT_ID = 9;
function isBook(raw, path) {
  const id = raw.pragma("application_id", { simple: true });
  const version = schemaVersion(raw);
  const known = id === APPLICATION_ID ? version > LAST_WITHOUT_ID : id === 0 && version > 0 && version <= LAST_WITHOUT_ID && hasTables(raw);
  return known && !isCutOff(raw, path);
}
var hasTables = (raw) => raw.prepare(
  "SELECT 1 FROM sqlite_schema WHERE type = 'table' AND name IN ('entry_line', 'command')"
).all().length === 2;
function isCutOff(raw, path) {
  const log = `${path}-wal`;
  if (existsSync5(log) && statSync2(log).size > 0) return false;
  const pages = Number(raw.pragma("page_count", { simple: true }));
  return statSync2(path).size < pages * Number(raw.pragma("page_size", { simple: true }));
}

// src/db/opening.ts
var holdOf = (path) => `${path}.hold`;
function prepared(raw) {
  raw.pragma("journal_mode = WAL");
  raw.pragma("synchronous = FULL");
  raw.pragma("foreign_keys = ON");
  raw.pragma("recursive_triggers = ON");
  raw.pragma("cache_size = -65536");
  raw.pragma("temp_store = MEMORY");
  return raw;
}
function createFile(path) {
  mkdirSync2(dirname(path), { recursive: true });
  const raw = prepared(new Database2(path));
  migrate(raw, path);
  return new Db(raw, path);
}
function openToWrite(path) {
  return whileHeld(path, (hold) => {
    const raw = new Database2(path, { fileMustExist: true, timeout: 1e4 });
    const problem = notABook(raw, path) ?? tooNew(raw);
    if (problem) return problem;
    const moved = migrate(prepared(raw), path);
    const db = new Db(raw, path, hold);
    if (moved) sealAnew(db, newestSchema());
    return ok(db);
  });
}
function openToRead(path) {
  return whileHeld(path, (hold) => {
    let raw = new Database2(path, { fileMustExist: true, readonly: true, timeout: 1e4 });
    const problem = notABook(raw, path) ?? tooNew(raw);
    if (problem) return problem;
    if (schemaVersion(raw) < newestSchema()) {
      raw.close();
      const opened = openToWrite(path);
      if (!opened.ok) return opened;
      opened.value.close();
      raw = new Database2(path, { fileMustExist: true, readonly: true, timeout: 1e4 });
    }
    return ok(new Db(raw, path, hold));
  });
}
function whileHeld(path, open) {
  return withFiles(() => {
    if (inodeOf(path) === null) return fail("book.missing");
    const hold = Hold.share(holdOf(path));
    if (hold === null) return fail("book.held");
    let opened = null;
    try {
      opened = open(hold);
      if (opened.ok) opened.value.fileState();
      return opened;
    } finally {
      if (opened?.ok !== true) hold.release();
    }
  });
}
function notABook(raw, path) {
  if (isBook(raw, path)) return void 0;
  raw.close();
  return fail("book.unreadable");
}
function tooNew(raw) {
  const newest = newestSchema();
  const found = schemaVersion(raw);
  if (found <= newest) return void 0;
  raw.close();
  return fail("book.newer", { found, newest });
}

// src/db/journal.ts
function accounts(db) {
  return db.all(
    "SELECT id, code, name, role, of, balance FROM account_now ORDER BY code"
  );
}
function insertAccount(db, account) {
  return db.run(
    "INSERT INTO account (code, name, role, of) VALUES (?, ?, ?, ?)",
    account.code,
    account.name,
    account.role,
    account.of
  ).id;
}
function accountFinder(db) {
  const chart = accounts(db);
  const known = /* @__PURE__ */ new Map();
  return (ref) => {
    const before = known.get(ref.role)?.get(ref.of);
    if (before !== void 0) return before;
    const found = accountFor(chart, ref)?.id;
    if (found === void 0)
      throw new Error(`the chart has no account for ${ref.role}/${ref.of ?? ""}`);
    known.set(ref.role, (known.get(ref.role) ?? /* @__PURE__ */ new Map()).set(ref.of, found));
    return found;
  };
}
function insertEntry(db, find, draft, { actId, reverses = null, datedFor = null }) {
  if (!foots(draft)) throw new Error(`the entry ${draft.event} does not foot`);
  const id = db.insert(
    ENTRIES,
    draft.event,
    draft.postedOn,
    draft.document.kind,
    draft.document.id,
    draft.document.text,
    draft.partyId,
    actId,
    reverses,
    datedFor
  );
  for (const [index, line] of draft.lines.entries())
    db.insert(
      ENTRY_LINES,
      id,
      index + 1,
      find(line.account),
      line.sum.currency,
      line.sum.amount,
      line.sum.book,
      line.item?.kind ?? null,
      line.item?.id ?? null
    );
  db.insert(POSTINGS, id, id);
  return id;
}
function accountById(db, id) {
  return db.get("SELECT name, balance FROM account_now WHERE id = ?", id);
}
var ENTRY = `SELECT e.id, e.event, e.posted_on AS postedOn, e.document_kind AS documentKind, e.document_id AS documentId, e.document,
  e.customer_id AS customerId, e.act_id AS actId, e.reverses, e.dated_for AS datedFor, (SELECT r.id FROM entry r WHERE r.reverses = e.id) AS reversedBy FROM entry e`;
function entryById(db, id) {
  return db.get(`${ENTRY} WHERE e.id = ?`, id);
}
function entriesOfAct(db, actId) {
  return db.all(`${ENTRY} WHERE e.act_id = ? ORDER BY e.id`, actId);
}
function entriesOfDocument(db, kind, id) {
  return db.all(
    `${ENTRY} WHERE e.id IN (SELECT id FROM entry WHERE document_kind = ?1 AND document_id = ?2 UNION SELECT entry_id FROM entry_line WHERE item_kind = ?1 AND item_id = ?2) ORDER BY e.id`,
    kind,
    id
  );
}
var LINE = `SELECT l.entry_id AS entryId, l.line_no AS lineNo, l.account_id AS accountId, a.code, a.name, a.role, a.of, l.currency, l.amount, l.book_amount AS bookAmount,
  l.item_kind AS itemKind, l.item_id AS itemId FROM entry_line l JOIN account a ON a.id = l.account_id`;
function linesOfEntry(db, entryId) {
  return db.all(`${LINE} WHERE l.entry_id = ? ORDER BY l.line_no`, entryId);
}
function balancesAsOf(db, asOf) {
  return db.all(
    `SELECT a.id, a.code, a.name, a.role, a.of, coalesce((SELECT sum(d.sum) FROM account_day d WHERE d.account_id = a.id AND d.posted_on <= ?), 0) AS balance FROM account a ORDER BY a.code`,
    asOf
  );
}

// src/server/runtime/upgradeBook.ts
function upgradeBook(db, book) {
  db.transaction(() => {
    const address = takeSmtpUrl(db);
    const read = address === null ? null : mailServerOf(address);
    if (!read?.ok) return;
    const { secret, ...server } = read.value;
    if (secret !== null) keepSecret(book, "mail", secret);
    writeSettings(db, { mailServer: server });
  });
}

// src/server/runtime/books.ts
function createBook(book, input) {
  if (!isBookName(book)) return fail("book.name", { book });
  if (bookExists(book)) return fail("book.exists", { book });
  const parsed = bookSchema.safeParse(input);
  if (!parsed.success) return fail("input.invalid", firstProblem(parsed.error, "Book"));
  makeBookFolders(book);
  const hold = Hold.claim(holdOf(bookFile(book)));
  if (hold === null) return fail("book.held", { book });
  try {
    makeFile(book, parsed.data);
  } finally {
    hold.release();
  }
  return openToWrite(bookFile(book));
}
function makeFile(book, facts) {
  const making = `${bookFile(book)}.making`;
  for (const rest of ["", "-wal", "-shm"]) rmSync2(`${making}${rest}`, { force: true });
  const db = createFile(making);
  db.transaction(() => {
    writeSettings(db, {
      ...facts,
      discountGraceDays: 0,
      smallDifferenceLimit: 500,
      smallestSumAskedFor: 1e3,
      people: ["clerk"],
      lockedTo: null
    });
    for (const account of DEFAULT_CHART) insertAccount(db, account);
  });
  db.close();
  renameSync2(making, bookFile(book));
}
function openBookToWrite(book) {
  if (!bookExists(book)) return fail("book.missing", { book });
  makeBookFolders(book);
  const opened = named(openToWrite(bookFile(book)), book);
  if (opened.ok) upgradeBook(opened.value, book);
  return opened;
}
function openBookToRead(book) {
  if (!bookExists(book)) return fail("book.missing", { book });
  return named(openToRead(bookFile(book)), book);
}
function named(opened, book) {
  return opened.ok ? opened : { ok: false, error: { ...opened.error, book } };
}

export {
  Db,
  nextCode,
  inBook,
  postRefund,
  postDispute,
  postDisputeLost,
  postAchReturn,
  postBounced,
  postOpening,
  postReceiptSettled,
  postReceiptAtBank,
  postReceiptByHand,
  postIdentified,
  postApplied,
  postSurcharge,
  postOtherIncome,
  postSetAside,
  postReversal,
  postDeposited,
  postBankFee,
  postElsewhere,
  postFee,
  postAdjustment,
  postReserve,
  postPayoutTied,
  postParkedDifference,
  postSetOff,
  EARNED_LATER,
  postInvoice,
  postCreditNote,
  postEarned,
  postDiscount,
  postSmallDifference,
  postBadDebt,
  postReturnFeeCharged,
  postLateFee,
  postFeeAccrued,
  postFeeBilled,
  postAllowance,
  postRecovery,
  postRefundAtBank,
  prove,
  valued,
  postRevalued,
  accounts,
  insertAccount,
  accountFinder,
  insertEntry,
  accountById,
  entryById,
  entriesOfAct,
  entriesOfDocument,
  linesOfEntry,
  balancesAsOf,
  fieldInWords,
  firstProblem,
  dataFolder,
  backupsFolder,
  isBookName,
  bookFile,
  mailboxLookFile,
  practiceFile,
  keptFile,
  outboxFile,
  outboxFolder,
  makeBookFolders,
  bookExists,
  inTheMaking,
  listBooks,
  arrivedFile,
  arrivedFiles,
  isoDay,
  emailAddress,
  code,
  name,
  currencyCode,
  country,
  isTimeZone,
  secretOf,
  keepSecret,
  mailServerSchema,
  mailboxSchema,
  Hold,
  freeName,
  holdOf,
  openToWrite,
  openToRead,
  createBook,
  openBookToWrite,
  openBookToRead
};
