"use client";

import type { ReactNode } from "react";

import type { ClearingFacts } from "@/contracts/payouts";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";
import { formatAmount } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { HeadingEnd, PageHeading, Title } from "../kit/headings";
import { AsOf } from "../kit/lists/AsOf";
import { LedgerList } from "../kit/lists/LedgerList";
import { PayoutTabs } from "./PayoutTabs";

export type ClearingRow = ClearingFacts["rows"][number];
type Props = BookFacts & ClearingFacts;

/** What was in clearing on a day, item by item: taken until then, at the bank after it; it foots to the accounts. */
export function ClearingPage({
  book,
  currency,
  today,
  asOf,
  rows,
  count,
  sum,
  accounts,
  page,
  pageRows,
}: Props): ReactNode {
  return (
    <>
      <PageHeading>
        <Title>
          {formatAmount(sum, currency)} <small>taken until then, at the bank after it</small>
        </Title>
        <AsOf day={asOf} />
        <PayoutTabs at="clearing" />
        {accounts.map((account) => (
          <span data-tone={account.items === account.ledger ? "soft" : "off"} key={account.name}>
            {account.name} {formatAmount(account.items, currency)}{" "}
            {account.items === account.ledger
              ? "✓"
              : `✗ the account says ${formatAmount(account.ledger, currency)}`}
          </span>
        ))}
        <HeadingEnd>
          <a data-tone="soft" href={`/api/v1/b/${book}/export/clearing?as-of=${asOf}`}>
            CSV
          </a>
        </HeadingEnd>
      </PageHeading>
      <LedgerList<ClearingRow>
        label="Items in clearing"
        rows={rows}
        idOf={(row) => row.id}
        href={(row) => `/b/${book}/${row.href}`}
        count={count}
        page={page}
        pageRows={pageRows}
        columns={[
          {
            id: "on",
            narrow: "more",
            header: "Posted",
            width: "12%",
            cell: (row) => formatDay(row.postedOn, today),
            foot: count === 1 ? "1 item" : `${count} items`,
          },
          {
            id: "what",
            narrow: "state",
            header: "What",
            width: "22%",
            cell: (row) => <span title={row.what}>{row.what}</span>,
          },
          {
            id: "from",
            narrow: "who",
            header: "Whose",
            width: "24%",
            cell: (row) => <span title={row.from}>{row.from || "–"}</span>,
          },
          { id: "account", header: "Account", width: "14%", cell: (row) => row.account },
          {
            id: "payout",
            header: "Payout",
            width: "14%",
            cell: (row) => row.payout ?? <span data-tone="soft">none yet</span>,
          },
          {
            id: "bank",
            header: "At the bank",
            width: "8%",
            cell: (row) => (row.bankedOn === null ? "–" : formatDay(row.bankedOn, today)),
          },
          {
            id: "sum",
            narrow: "sum",
            header: "Sum",
            width: "10%",
            number: true,
            cell: (row) => <Amount of={row.amount} currency={row.currency} />,
            foot: <Total>{formatAmount(sum, currency)}</Total>,
          },
        ]}
        empty={<p data-tone="good">✓ Nothing was in clearing.</p>}
      />
    </>
  );
}
