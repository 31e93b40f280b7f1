"use client";

import { memo, type ReactNode } from "react";

import type { PostsTo, TypedLine } from "@/contracts/editor";
import type { Totals } from "@/core/invoices";
import { type Currency, formatAmount } from "@/core/money";

import { Amount, Total } from "../../kit/Amount";
import { Subheading } from "../../kit/headings";
import { Cell, TermTable } from "../../kit/tables";

type SumsProps = {
  totals: Totals | null;
  currency: Currency;
  included: boolean;
};

/** Below the lines: discount, tax by code, and the total under its double rule. */
export const Sums = memo(function Sums({ totals, currency, included }: SumsProps): ReactNode {
  if (!totals) return null;
  return (
    <TermTable aria-label="Total" marginLeft="auto" width="340px">
      <tbody>
        {totals.discount === 0 ? null : (
          <Sum words="Discount" of={-totals.discount} currency={currency} />
        )}
        {totals.taxes
          .filter(({ tax }) => tax.code !== "")
          .map(({ tax, sum, net }) => (
            <Sum
              key={tax.code}
              words={`${tax.code} ${tax.percent} % ${included ? "in it" : `on ${formatAmount(net, currency)}`}`}
              of={sum}
              currency={currency}
            />
          ))}
        {totals.charges === 0 ? null : (
          <Sum words="Charges" of={totals.charges} currency={currency} />
        )}
        <tr>
          <td>Total</td>
          <td data-numeric data-sum>
            <Total>{formatAmount(totals.total, currency)}</Total>
          </td>
        </tr>
        {totals.withheld === 0 ? null : (
          <>
            <Sum words="Withheld by them" of={-totals.withheld} currency={currency} />
            <Sum words="They pay" of={totals.payable} currency={currency} />
          </>
        )}
      </tbody>
    </TermTable>
  );
});

function Sum({
  words,
  of,
  currency,
}: {
  words: string;
  of: number;
  currency: Currency;
}): ReactNode {
  return (
    <tr>
      <td>{words}</td>
      <td data-numeric data-sum>
        <Amount of={of} currency={currency} />
      </td>
    </tr>
  );
}

type PostingProps = {
  totals: Totals | null;
  currency: Currency;
  credit: boolean;
  /** The lines that count, in the order of the totals. */
  lines: readonly TypedLine[];
  postsTo: PostsTo;
};

/** The net by the account that it goes to, credits negative; charges go with all income. */
function netByAccount(
  { nets, chargeNets }: Totals,
  lines: readonly TypedLine[],
  { usual, deposits, items }: PostsTo,
): [string, number][] {
  const sums = new Map<string, number>();
  const count = (account: string, net: number): void => {
    sums.set(account, (sums.get(account) ?? 0) - net);
  };
  nets.forEach((net, at) => {
    const line = lines[at];
    count(line?.settles != null ? deposits : (items[line?.item ?? ""] ?? usual), net);
  });
  for (const net of chargeNets) count(usual, net);
  return [...sums];
}

/** What approval posts: receivables gross, income, tax. */
export const Posting = memo(function Posting(props: PostingProps): ReactNode {
  const { totals, currency, credit, lines, postsTo } = props;
  const rows: [string, number][] = totals
    ? [
        ["Accounts receivable", totals.total],
        ...netByAccount(totals, lines, postsTo),
        ...totals.taxes
          .filter(({ sum }) => sum !== 0)
          .map(({ tax, sum }): [string, number] => [`Sales tax payable, ${tax.code}`, -sum]),
      ]
    : [];
  return (
    <>
      <Subheading>Approving posts</Subheading>
      <TermTable aria-label="What approving posts" width="100%">
        <tbody>
          {rows.map(([words, amount]) => (
            <Sum key={words} words={words} of={credit ? -amount : amount} currency={currency} />
          ))}
          {rows.length === 0 ? (
            <tr>
              <Cell data-tone="soft">Nothing yet: write a line.</Cell>
            </tr>
          ) : null}
        </tbody>
      </TermTable>
      <p data-tone="soft">
        Approving draws the next number. After that the paper does not change: a mistake is
        corrected by a credit note.
      </p>
    </>
  );
});
