import type { Unread } from "../types";

/** What lies between the sums of a payout's payments and what arrives. */
const BETWEEN = ["gross", "fee", "fee2", "feeTax"] as const;

/**
 * A list whose lines were said to be payouts: a payout is what arrives, and when, whatever columns say
 * of the payments in it.
 */
export function asPayouts(file: Unread): Unread {
  if (file.kind !== "processor" || file.answers.payouts !== "payout") return file;
  const { net, payoutOn, ...columns } = file.columns;
  const left = net === undefined ? [] : BETWEEN.filter((field) => columns[field] !== undefined);
  const of: Record<string, string> = Object.fromEntries(
    Object.entries(columns).filter(([field]) => !left.some((between) => between === field)),
  );
  const leave = left.map((field) => [`column:${columns[field] ?? ""}`, "leave"]);
  return {
    ...file,
    columns: {
      ...of,
      ...(net === undefined ? {} : { gross: net }),
      ...(payoutOn === undefined ? {} : { occurredOn: payoutOn }),
    },
    answers: { ...file.answers, ...Object.fromEntries(leave) },
  };
}
