import { type ActivityKind, FEE_KINDS, guessRowKind, ROW_KINDS } from "@/core/activity/index";
import { addBankingDays, type Day } from "@/core/calendar";
import { type Currency, type Minor, negate } from "@/core/money";
import { type Method } from "@/core/receipts";

import { amounts, made, methodOf, type Written, writtenOf } from "./activityCells";
import { type MappingSpec } from "./mapping";
import { type RowReader } from "./rows";

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
export function readActivity(
  row: RowReader,
  spec: MappingSpec,
  seen: Map<string, number> = new Map(),
): ProcessorRecord[] | null {
  const word = row.text("kind").toLowerCase();
  const kind = word === "" ? "charge" : (spec.rowKinds[word] ?? guessRowKind(word));
  if (kind === undefined) row.refuse("kind", { code: "activity.kind", text: word });
  const read = writtenOf(row, spec);
  if (kind === undefined || kind === "ignore" || read === null) return null;
  const signed = amounts(row, spec, kind, read);
  if (signed === null) return null;
  return kind === "payout"
    ? [payoutRecord(row, read, signed.amount)]
    : activityRecords(row, kind, read, { ...signed, seen });
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
  { amount, fee, seen }: { amount: Minor; fee: Minor; seen: Map<string, number> },
): ActivityRecord[] {
  if ((kind === "charge" || kind === "started") && amount <= 0)
    row.refuse("gross", { code: "activity.charge_sign" });
  const externalId = row.text("id") || made(row, kind, { on: read.occurredOn, amount, seen });
  const item = itemRecord(row, read, { externalId, kind, amount });
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

/** All fields in one literal: two hundred thousand records then are of one shape to the machine. */
function itemRecord(
  row: RowReader,
  { occurredOn, settledOn, currency, payoutOn, answerBy }: Written,
  { externalId, kind, amount }: Pick<ActivityRecord, "externalId" | "kind" | "amount">,
): ActivityRecord {
  return {
    line: row.line,
    kind,
    externalId,
    occurredOn,
    settledOn,
    currency,
    amount,
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

/**
 * The day a payout that only its items name should have been paid on: the last settlement plus the
 * processor's delay.
 */
export function expectedPayoutDay(lastSettled: Day, delayDays: number): Day {
  return addBankingDays(lastSettled, delayDays);
}
