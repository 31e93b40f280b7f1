import { addBankingDays, dueDay, parseTerms, type Day } from "@/core/calendar";
import { add, minor, negate, type Currency, type Minor } from "@/core/money";
import { METHODS, type Method } from "@/core/receipts";

import { guessRowKind, type MappingSpec, type RowKind } from "./mapping";
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
  const parsedTerms = terms === null ? null : parseTerms(terms);
  if (parsedTerms && !parsedTerms.ok) row.refuse("terms", parsedTerms.error);
  const dueOn =
    row.day("dueOn") ??
    (issuedOn && parsedTerms?.ok ? dueDay(issuedOn, parsedTerms.value) : issuedOn);
  const balance = row.amount("balance", currency) ?? total;
  const tax = row.amount("tax", currency) ?? minor(0);
  if (issuedOn === null || dueOn === null || total === null || balance === null) return null;
  if (dueOn < issuedOn)
    row.refuse("dueOn", { code: "invoice.due_before_issue", due: dueOn, issued: issuedOn });
  if (total === 0) row.refuse("total", { code: "invoice.zero" });
  if (Math.sign(balance) * Math.sign(total) < 0 || Math.abs(balance) > Math.abs(total))
    row.refuse("balance", { code: "invoice.balance" });
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

export type ActivityRecord = {
  line: number;
  kind: Exclude<RowKind, "ignore" | "payout">;
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

const LOWERS: readonly RowKind[] = [
  "fee",
  "refund",
  "dispute",
  "dispute_fee",
  "ach_return",
  "return_fee",
];

/**
 * One row of a processor's file as what it means: the item itself at its
 * effect on the processor's balance, and its fee as an item of its own. Gross,
 * fee and net may all be there, or two of the three; all three must foot.
 */
export function readActivity(row: RowReader, spec: MappingSpec): ProcessorRecord[] | null {
  const word = row.text("kind").toLowerCase();
  const kind = word === "" ? "charge" : (spec.rowKinds[word] ?? guessRowKind(word));
  if (kind === undefined) row.refuse("kind", { code: "activity.kind", text: word });
  row.needed("occurredOn");
  const occurredOn = row.day("occurredOn");
  const settledOn = row.day("settledOn") ?? occurredOn;
  const currency = row.currency("currency");
  const gross = row.amount("gross", currency);
  const feeWritten = row.amount("fee", currency);
  const fee = feeWritten === null || spec.feeSign === "cost" ? feeWritten : negate(feeWritten);
  const net = row.amount("net", currency);
  const [spanFrom, spanTo, payoutOn, answerBy] = [
    row.day("spanFrom"),
    row.day("spanTo"),
    row.day("payoutOn"),
    row.day("answerBy"),
  ];
  if (
    kind === undefined ||
    kind === "ignore" ||
    occurredOn === null ||
    settledOn === null ||
    row.problems.length > 0
  )
    return null;
  const signed = amounts(row, spec, kind, { gross, fee, net });
  if (signed === null) return null;
  const id = row.text("id");
  if (kind === "payout") {
    const externalId =
      row.text("payoutId") || id || `payout ${payoutOn ?? occurredOn} ${signed.amount}`;
    return [
      {
        line: row.line,
        kind,
        externalId,
        paidOn: payoutOn ?? occurredOn,
        currency,
        net: signed.amount,
        spanFrom,
        spanTo,
      },
    ];
  }
  const shared = {
    line: row.line,
    externalId: id || made(row, kind, occurredOn, signed.amount),
    occurredOn,
    settledOn,
    currency,
    method: methodOf(row.text("method") || word),
    payerName: row.text("payerName"),
    payerEmail: row.text("payerEmail").toLowerCase(),
    reference: row.text("reference"),
    payoutId: row.text("payoutId") || null,
    payoutOn,
    relatedId: row.text("relatedId") || null,
    returnCode: row.text("returnCode").toUpperCase() || null,
    answerBy,
    brand: row.text("brand") || null,
    abroad: /^(y|yes|true|1|x|abroad|foreign|international|non[- ]?domestic)$/i.test(
      row.text("abroad"),
    ),
  };
  if ((kind === "charge" || kind === "started") && signed.amount <= 0)
    row.refuse("gross", { code: "activity.charge_sign" });
  const items: ProcessorRecord[] =
    signed.amount === 0 && signed.fee !== 0 ? [] : [{ ...shared, kind, amount: signed.amount }];
  const feeKind =
    kind === "dispute" || kind === "dispute_won"
      ? "dispute_fee"
      : kind === "ach_return"
        ? "return_fee"
        : "fee";
  if (signed.fee !== 0)
    items.push({
      ...shared,
      kind: feeKind,
      amount: negate(signed.fee),
      relatedId: shared.externalId,
    });
  return items;
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

function amounts(
  row: RowReader,
  spec: MappingSpec,
  kind: RowKind,
  from: { gross: Minor | null; fee: Minor | null; net: Minor | null },
): { amount: Minor; fee: Minor } | null {
  const { fee } = from;
  let { gross } = from;
  if (gross === null && from.net !== null) gross = add(from.net, fee ?? 0);
  if (gross === null) {
    row.refuse("gross", { code: "activity.no_sum" });
    return null;
  }
  const cost = fee ?? (from.net === null || kind === "payout" ? minor(0) : add(gross, -from.net));
  if (from.net !== null && kind !== "payout" && add(gross, -cost) !== from.net) {
    row.refuse("net", { code: "activity.foot", gross, fee: cost, net: from.net });
    return null;
  }
  if (kind === "payout")
    return { amount: spec.payoutSign === "turned" ? negate(gross) : gross, fee: minor(0) };
  const lowers = LOWERS.includes(kind) && spec.signs === "by_kind";
  const amount = lowers
    ? minor(-Math.abs(gross))
    : kind === "dispute_won"
      ? minor(Math.abs(gross))
      : gross;
  return { amount, fee: cost };
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
  const [written, moneyIn, moneyOut] = [
    row.amount("amount", currency),
    row.amount("moneyIn", currency),
    row.amount("moneyOut", currency),
  ];
  const balance = row.amount("balance", currency);
  if (row.problems.length > 0 || postedOn === null) return null;
  const amount =
    written ??
    (moneyIn === null && moneyOut === null
      ? null
      : add(Math.abs(moneyIn ?? 0), -Math.abs(moneyOut ?? 0)));
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

/**
 * The day a payout that only its items name should have been paid on: the last settlement plus the
 * processor's delay.
 */
export function expectedPayoutDay(lastSettled: Day, delayDays: number): Day {
  return addBankingDays(lastSettled, delayDays);
}
