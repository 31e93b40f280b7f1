import { ROW_KINDS, type RowKind } from "@/core/activity/index";
import { type Day } from "@/core/calendar";
import { add, type Currency, minor, type Minor, negate } from "@/core/money";
import { type Method, METHODS } from "@/core/receipts";

import { type MappingSpec } from "./mapping";
import { type RowReader } from "./rows";

/** The days and sums of a row as they are written; the fee as a cost. */
export type Written = {
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
export function writtenOf(row: RowReader, spec: MappingSpec): Written | null {
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

/**
 * An id for a row that has none: what it says, and from the second equal one on how often it came. A
 * file that overlaps another says the same again; two equal rows of a day are two.
 */
export function made(
  row: RowReader,
  kind: RowKind,
  { on, amount, seen }: { on: Day; amount: Minor; seen: Map<string, number> },
): string {
  const said = [
    kind,
    on,
    amount,
    row.text("relatedId"),
    row.text("payerName"),
    row.text("reference"),
  ].join("|");
  const nth = (seen.get(said) ?? 0) + 1;
  seen.set(said, nth);
  return nth === 1 ? said : `${said}|${nth}`;
}

/** The sum of a row at its effect, and its fee as a cost; null where they are missing or do not foot. */
export function amounts(
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
export function methodOf(written: string): Method {
  const lower = written
    .toLowerCase()
    .trim()
    .replace(/[\s-]+/g, "_");
  const exact = METHODS.find((method) => method === lower);
  if (exact) return exact;
  return /ach|bank|e_?check|direct_?debit/.test(lower) ? "ach_debit" : "card";
}
