import { minor } from "@/core/money";

import { inText, type Made, plainFields, type Reading } from "../canonical";
import type { ActivityEntry, ActivityRow } from "./processorRows";
import { givenBack } from "./refundsBeside";

/**
 * What a payout brought to the bank, with the sign that it is written with: its sum, or where it has
 * a fee of its own what gross, fee and net agree on; null where they leave it open.
 */
export function paidOut({ gross, fee, net }: ActivityRow): number | null {
  const sum = gross ?? net ?? 0;
  const cost = Math.abs(fee ?? 0);
  if (cost === 0) return sum;
  if (gross === null || net === null) return null;
  if (Math.abs(net) === Math.abs(gross) - cost) return net;
  return Math.abs(net) === Math.abs(gross) + cost ? gross : null;
}

/** What a processor charges for a payout is a fee of that payout, and the payout is what is left. */
export function payoutFeeRow(
  reading: Reading,
  { row, activity }: ActivityEntry,
): Made["rows"][number][] {
  const { id, currency, fee, kind, line, payoutId } = activity;
  if (kind !== "payout" || fee === null || fee === 0) return [];
  const { occurredOn = "", settledOn = "", payoutOn = "" } = plainFields(reading, row);
  return [
    {
      line,
      fields: {
        occurredOn,
        settledOn,
        payoutOn,
        currency,
        kind: "fee",
        id: `${id || payoutId} fee`,
        payoutId: payoutId || id,
        gross: inText(-Math.abs(fee), currency),
      },
    },
  ];
}

/** What was given back of a charge, where its own line is all that tells of it. */
export function refundedRow(
  reading: Reading,
  { row, activity }: ActivityEntry,
): Made["rows"][number][] {
  const given = givenBack(reading, row);
  if (given === 0 || activity.kind !== "charge") return [];
  const { id, currency, line } = activity;
  return [
    {
      line,
      fields: {
        ...plainFields(reading, row),
        kind: "refund",
        id: id === "" ? "" : `${id} refund`,
        relatedId: id,
        gross: inText(-given, currency),
        fee: "",
        net: "",
        status: "",
        refunded: "",
        onTop: "",
        balance: "",
        fee2: "",
        feeTax: "",
      },
    },
  ];
}
/** Payouts that are written negative, as what leaves the processor: by the sign that most have. */
export function payoutsTurned(rows: readonly ActivityRow[]): boolean {
  const sums = rows.flatMap(({ kind, gross, net }) =>
    kind === "payout" ? [gross ?? net ?? minor(0)] : [],
  );
  return sums.filter((sum) => sum < 0).length * 2 > sums.length;
}
