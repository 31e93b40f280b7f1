"use client";

import type { ReactNode } from "react";

import { type Currency, formatAmount, sumOf } from "@/core/money";

import { Subheading } from "../kit/headings";
import { DetailTable } from "../kit/tables";
import type { Tally, Worked } from "./tally";

/** The entry beside the tally, as it will stand in the journal. */
export function WillPost({
  tally,
  worked,
  amount,
  currency,
}: {
  tally: Tally;
  worked: Worked;
  amount: number;
  currency: Currency;
}): ReactNode {
  const rest = tally.restOnAccount ? Math.max(0, worked.left) : 0;
  const rows: [string, number, number][] = [
    ["Receipts not identified", worked.given + tally.surcharge + tally.recovered + rest, 0],
  ];
  if (worked.discount > 0) rows.push(["Early-payment discounts", worked.discount, 0]);
  const small = worked.small - worked.overLimit;
  if (small !== 0) rows.push(["Small differences", Math.max(0, small), Math.max(0, -small)]);
  if (worked.overLimit !== 0) rows.push(["Bad debt, once approved", worked.overLimit, 0]);
  const receivables = worked.given + worked.discount + worked.small;
  if (receivables !== 0) rows.push(["Accounts receivable", 0, receivables]);
  if (tally.surcharge > 0) rows.push(["Surcharges", 0, tally.surcharge]);
  if (tally.recovered > 0) rows.push(["Recoveries", 0, tally.recovered]);
  if (rest > 0) rows.push(["Credit on account", 0, rest]);
  const along = sumOf(worked.credits, ({ amount }) => amount);
  if (along > 0)
    rows.push(["Credit on account, used along", along, 0], ["Accounts receivable", 0, along]);
  if (worked.given + tally.recovered + rest === 0)
    return (
      <>
        <Subheading>It will post</Subheading>
        <p data-tone="soft">Nothing yet, of {formatAmount(amount, currency)}.</p>
      </>
    );
  return (
    <>
      <Subheading>It will post</Subheading>
      <DetailTable>
        <tbody>
          {rows.map(([name, debit, credit]) => (
            <tr key={name}>
              <td data-indent={credit > 0 || undefined}>{name}</td>
              <td data-numeric data-sum>
                {debit > 0 ? formatAmount(debit, currency) : ""}
              </td>
              <td data-numeric data-sum>
                {credit > 0 ? formatAmount(credit, currency) : ""}
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </>
  );
}
