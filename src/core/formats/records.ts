import { addBankingDays, type Day, dueDay, parseTerms } from "@/core/calendar";
import { add, type Currency, minor, type Minor, negate } from "@/core/money";
import { type Method, METHODS } from "@/core/receipts";

import { type ActivityKind, FEE_KINDS, guessRowKind, ROW_KINDS, type RowKind } from "../activity";
import type { MappingSpec } from "./mapping";
import type { RowReader } from "./rows";

export type CustomerRecord = {
  line: number;
  externalId: string;
  name: string;
  email: string | null;
  phone: string | null;
  parentId: string | null;
  /** Other names, as one cell gives them: between semicolons or bars. */
  aliases: string[];
};

export function readCustomer(row: RowReader): CustomerRecord {
  const orNull = (field: string): string | null => row.text(field) || null;
  return {
    line: row.line,
    externalId: row.needed("externalId"),
    name: row.needed("name"),
    email: orNull("email"),
    phone: orNull("phone"),
    parentId: orNull("parentId"),
    aliases: row
      .text("aliases")
      .split(/[;|]/)
      .map((name) => name.trim())
      .filter((name) => name !== ""),
  };
}

export type InvoiceRecord = {
  line: number;
  number: string;
  customerId: string;
  issuedOn: Day;
  dueOn: Day;
  currency: Currency;
  total: Minor;
  balance: Minor;
  tax: Minor;
  poNumber: string | null;
  terms: string | null;
  description: string | null;
};

/**
 * An invoice, or a credit note where its total is negative. The due day comes from the terms if it
 * has no column of its own.
 */
export function readInvoice(row: RowReader): InvoiceRecord | null {
  const number = row.needed("number");
  const customerId = row.needed("customerId");
  row.needed("issuedOn");
  row.needed("total");
  const issuedOn = row.day("issuedOn");
  const currency = row.currency("currency");
  const total = row.amount("total", currency);
  const terms = row.text("terms") || null;
  const dueOn = row.day("dueOn") ?? dueByTerms(row, issuedOn, terms);
  const balance = row.amount("balance", currency) ?? total;
  const tax = row.amount("tax", currency) ?? minor(0);
  if (issuedOn === null || dueOn === null || total === null || balance === null) return null;
  refuseUnlikely(row, { issuedOn, dueOn, total, balance });
  return {
    line: row.line,
    number,
    customerId,
    issuedOn,
    dueOn,
    currency,
    total,
    balance,
    tax,
    poNumber: row.text("poNumber") || null,
    terms,
    description: row.text("description") || null,
  };
}

/** The due day by the terms; where there are none, the day of issue. */
function dueByTerms(row: RowReader, issuedOn: Day | null, terms: string | null): Day | null {
  if (terms === null) return issuedOn;
  const parsed = parseTerms(terms);
  if (!parsed.ok) row.refuse("terms", parsed.error);
  return issuedOn && parsed.ok ? dueDay(issuedOn, parsed.value) : issuedOn;
}

function refuseUnlikely(
  row: RowReader,
  {
    issuedOn,
    dueOn,
    total,
    balance,
  }: Pick<InvoiceRecord, "issuedOn" | "dueOn" | "total" | "balance">,
): void {
  if (dueOn < issuedOn)
    row.refuse("dueOn", { code: "invoice.due_before_issue", due: dueOn, issued: issuedOn });
  if (total === 0) row.refuse("total", { code: "invoice.zero" });
  if (Math.sign(balance) * Math.sign(total) < 0 || Math.abs(balance) > Math.abs(total))
    row.refuse("balance", { code: "invoice.balance" });
}

export type ActivityRecord = {
  line: number;
  kind: ActivityKind;
  externalId: string;
  occurredOn: Day;
  settledOn: Day;
  currency: Currency;
  amount: Minor;
  method: Method;
  payerName: string;
  payerEmail: string;
  reference: string;
  payoutId: string | null;
  payoutOn: Day | null;
  relatedId: string | null;
  /**
   * Why a debit came back; by when a dispute is to be answered; what card it was, and whether one
   * from abroad.
   */
  returnCode: string | null;
  answerBy: Day | null;
  brand: string | null;
  abroad: boolean;
};
export type PayoutRecord = {
  line: number;
  kind: "payout";
  externalId: string;
  paidOn: Day;
  currency: Currency;
  net: Minor;
  spanFrom: Day | null;
  spanTo: Day | null;
};
export type ProcessorRecord = ActivityRecord | PayoutRecord;

/**
 * One row of a processor's file as what it means: the item itself at its
 * effect on the processor's balance, and its fee as an item of its own. Gross,
 * fee and net may all be there, or two of the three; all three must foot.
 */
export function readActivity(row: RowReader, spec: MappingSpec): ProcessorRecord[] | null {
  const word = row.text("kind").toLowerCase();
  const kind = word === "" ? "charge" : (spec.rowKinds[word] ?? guessRowKind(word));
  if (kind === undefined) row.refuse("kind", { code: "activity.kind", text: word });
  const read = writtenOf(row, spec);
  if (kind === undefined || kind === "ignore" || read === null) return null;
  const signed = amounts(row, spec, kind, read);
  if (signed === null) return null;
  return kind === "payout"
    ? [payoutRecord(row, read, signed.amount)]
    : activityRecords(row, kind, read, signed);
}

/** The days and sums of a row as they are written; the fee as a cost. */
type Written = {
  occurredOn: Day;
  settledOn: Day;
  currency: Currency;
  gross: Minor | null;
  fee: Minor | null;
  net: Minor | null;
  spanFrom: Day | null;
  spanTo: Day | null;
  payoutOn: Day | null;
  answerBy: Day | null;
};

/** Null where something of it cannot be read; the row says what. */
function writtenOf(row: RowReader, spec: MappingSpec): Written | null {
  row.needed("occurredOn");
  const occurredOn = row.day("occurredOn");
  const settledOn = row.day("settledOn") ?? occurredOn;
  const currency = row.currency("currency");
  const gross = row.amount("gross", currency);
  const fee = row.amount("fee", currency);
  const net = row.amount("net", currency);
  const days = {
    spanFrom: row.day("spanFrom"),
    spanTo: row.day("spanTo"),
    payoutOn: row.day("payoutOn"),
    answerBy: row.day("answerBy"),
  };
  if (occurredOn === null || settledOn === null || row.problems.length > 0) return null;
  const cost = fee === null || spec.feeSign === "cost" ? fee : negate(fee);
  return { occurredOn, settledOn, currency, gross, fee: cost, net, ...days };
}

function payoutRecord(row: RowReader, read: Written, net: Minor): PayoutRecord {
  const paidOn = read.payoutOn ?? read.occurredOn;
  return {
    line: row.line,
    kind: "payout",
    externalId: row.text("payoutId") || row.text("id") || `payout ${paidOn} ${net}`,
    paidOn,
    currency: read.currency,
    net,
    spanFrom: read.spanFrom,
    spanTo: read.spanTo,
  };
}

/** The item of a row, and its fee as an item of its own. */
function activityRecords(
  row: RowReader,
  kind: ActivityKind,
  read: Written,
  { amount, fee }: { amount: Minor; fee: Minor },
): ActivityRecord[] {
  if ((kind === "charge" || kind === "started") && amount <= 0)
    row.refuse("gross", { code: "activity.charge_sign" });
  const externalId = row.text("id") || made(row, kind, read.occurredOn, amount);
  const item: ActivityRecord = { ...sharedOf(row, read), externalId, kind, amount };
  if (fee === 0) return [item];
  const feeItem: ActivityRecord = {
    ...item,
    kind: FEE_KINDS[ROW_KINDS[kind].fee].item,
    amount: negate(fee),
    relatedId: externalId,
  };
  return amount === 0 ? [feeItem] : [item, feeItem];
}

const ABROAD = /^(y|yes|true|1|x|abroad|foreign|international|non[- ]?domestic)$/i;

function sharedOf(
  row: RowReader,
  { occurredOn, settledOn, currency, payoutOn, answerBy }: Written,
): Omit<ActivityRecord, "kind" | "amount" | "externalId"> {
  return {
    line: row.line,
    occurredOn,
    settledOn,
    currency,
    method: methodOf(row.text("method") || row.text("kind").toLowerCase()),
    payerName: row.text("payerName"),
    payerEmail: row.text("payerEmail").toLowerCase(),
    reference: row.text("reference"),
    payoutId: row.text("payoutId") || null,
    payoutOn,
    relatedId: row.text("relatedId") || null,
    returnCode: row.text("returnCode").toUpperCase() || null,
    answerBy,
    brand: row.text("brand") || null,
    abroad: ABROAD.test(row.text("abroad")),
  };
}

/** An id for a row that has none: what it says. A file that overlaps another says the same again. */
function made(row: RowReader, kind: RowKind, on: Day, amount: Minor): string {
  return [
    kind,
    on,
    amount,
    row.text("relatedId"),
    row.text("payerName"),
    row.text("reference"),
  ].join("|");
}

/** The sum of a row at its effect, and its fee as a cost; null where they are missing or do not foot. */
function amounts(
  row: RowReader,
  spec: MappingSpec,
  kind: RowKind,
  { gross: written, fee, net }: Pick<Written, "gross" | "fee" | "net">,
): { amount: Minor; fee: Minor } | null {
  const gross = written ?? (net === null ? null : add(net, fee ?? 0));
  if (gross === null) {
    row.refuse("gross", { code: "activity.no_sum" });
    return null;
  }
  if (kind === "payout")
    return { amount: spec.payoutSign === "turned" ? negate(gross) : gross, fee: minor(0) };
  const cost = fee ?? (net === null ? minor(0) : add(gross, -net));
  if (net !== null && add(gross, -cost) !== net) {
    row.refuse("net", { code: "activity.foot", gross, fee: cost, net });
    return null;
  }
  return { amount: effectOf(kind, gross, spec), fee: cost };
}

function effectOf(kind: RowKind, gross: Minor, spec: MappingSpec): Minor {
  if (ROW_KINDS[kind].lowers && spec.signs === "by_kind") return minor(-Math.abs(gross));
  return kind === "dispute_won" ? minor(Math.abs(gross)) : gross;
}

/** How a charge was paid, from the method column, else from the kind of row; card where neither says. */
function methodOf(written: string): Method {
  const lower = written
    .toLowerCase()
    .trim()
    .replace(/[\s-]+/g, "_");
  const exact = METHODS.find((method) => method === lower);
  if (exact) return exact;
  return /ach|bank|e_?check|direct_?debit/.test(lower) ? "ach_debit" : "card";
}

export type BankRecord = {
  line: number;
  externalId: string;
  postedOn: Day;
  currency: Currency;
  amount: Minor;
  description: string;
  balance: Minor | null;
};

/**
 * One line of a bank statement; money in is positive. Without an id of the
 * bank's own, day, sum, words and how often they came that day are its identity,
 * so that an overlapping statement adds nothing. `seen` counts within the file.
 */
export function readBankLine(row: RowReader, seen: Map<string, number>): BankRecord | null {
  row.needed("postedOn");
  const postedOn = row.day("postedOn");
  const currency = row.currency("currency");
  const amount = signedAmount(row, currency);
  const balance = row.amount("balance", currency);
  if (row.problems.length > 0 || postedOn === null) return null;
  if (amount === null) row.refuse("amount", { code: "field.empty", field: "amount" });
  if (amount === 0) row.refuse("amount", { code: "bank.zero" });
  const description = row.text("description").replace(/\s+/g, " ");
  const says = [postedOn, amount, description.toLowerCase(), balance ?? ""].join("|");
  const nth = (seen.get(says) ?? 0) + 1;
  seen.set(says, nth);
  return {
    line: row.line,
    externalId: row.text("id") || `${says}|${nth}`,
    postedOn,
    currency,
    amount: amount ?? minor(0),
    description,
    balance,
  };
}

/** The sum as it is written, or what the columns of money in and money out make; null without any. */
function signedAmount(row: RowReader, currency: Currency): Minor | null {
  const written = row.amount("amount", currency);
  const moneyIn = row.amount("moneyIn", currency);
  const moneyOut = row.amount("moneyOut", currency);
  if (written !== null || (moneyIn === null && moneyOut === null)) return written;
  return add(Math.abs(moneyIn ?? 0), -Math.abs(moneyOut ?? 0));
}

/**
 * The day a payout that only its items name should have been paid on: the last settlement plus the
 * processor's delay.
 */
export function expectedPayoutDay(lastSettled: Day, delayDays: number): Day {
  return addBankingDays(lastSettled, delayDays);
}
