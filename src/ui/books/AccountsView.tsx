"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";
import { formatAmount, minor, type Minor, sumOf } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { AsOf } from "../kit/lists/AsOf";
import { LedgerList, type ListColumn } from "../kit/lists/LedgerList";
import { BooksHeading } from "./BooksHeading";

type Account = { id: number; code: string; name: string; role: string; balance: Minor };
type TrialProps = BookFacts & { accounts: Account[]; asOf: Day };

/** The trial balance as of a day; each account leads to its page. */
export function TrialView({ accounts, asOf, book, currency, today }: TrialProps): ReactNode {
  const debit = sumOf(accounts, (account) => Math.max(0, account.balance));
  const credit = sumOf(accounts, (account) => Math.max(0, -account.balance));
  return (
    <>
      <BooksHeading
        view="trial"
        sum={
          debit === credit ? (
            <>
              <span data-tone="good">0.00</span>{" "}
              <small>off: debits are credits, as of {formatDay(asOf, today)}</small>
            </>
          ) : (
            <>
              <span data-tone="off">{formatAmount(debit - credit, currency)}</span>{" "}
              <small>off</small>
            </>
          )
        }
        end={
          <>
            <AsOf day={asOf} />
            <a data-tone="soft" href={`/api/v1/b/${book}/export/trial-balance?as-of=${asOf}`}>
              CSV
            </a>
            <a
              data-tone="soft"
              href={`/api/v1/b/${book}/export/trial-balance?as-of=${asOf}&format=xlsx`}
            >
              XLSX
            </a>
            <a
              data-tone="soft"
              href={`/api/v1/b/${book}/export/trial-balance?as-of=${asOf}&format=pdf`}
            >
              PDF
            </a>
          </>
        }
      />
      <LedgerList<Account>
        label="Trial balance"
        rows={accounts}
        idOf={(row) => row.id}
        href={(row) => `?view=account&account=${row.id}&as-of=${asOf}`}
        columns={[
          {
            id: "code",
            header: "Account",
            width: "10%",
            cell: (row) => row.code,
            foot: `${accounts.length} accounts`,
          },
          {
            id: "name",
            header: "Name",
            width: "46%",
            cell: (row) => (
              <NextLink href={`?view=account&account=${row.id}&as-of=${asOf}`} prefetch={false}>
                {row.name}
              </NextLink>
            ),
          },
          {
            id: "role",
            header: "For",
            width: "16%",
            cell: (row) => <span data-tone="soft">{row.role.replaceAll("_", " ")}</span>,
          },
          {
            id: "debit",
            header: "Debit",
            width: "14%",
            number: true,
            cell: (row) => <Amount of={Math.max(0, row.balance)} currency={currency} dash />,
            foot: <Total>{formatAmount(debit, currency)}</Total>,
          },
          {
            id: "credit",
            header: "Credit",
            width: "14%",
            number: true,
            cell: (row) => <Amount of={Math.max(0, -row.balance)} currency={currency} dash />,
            foot: <Total>{formatAmount(credit, currency)}</Total>,
          },
        ]}
        empty={<p>There is no account.</p>}
      />
    </>
  );
}

type AccountLine = {
  entryId: number;
  lineNo: number;
  postedOn: Day;
  event: string;
  document: string;
  party: string | null;
  bookAmount: Minor;
  running: Minor;
  href: string | null;
};
type AccountProps = BookFacts & {
  account: Account;
  lines: AccountLine[];
  count: number;
  asOf: Day;
  page: number;
  pageRows: number;
};

/** An account: its lines newest first, each with the balance after it. */
export function AccountView({
  account,
  lines,
  count,
  asOf,
  page,
  pageRows,
  book,
  currency,
  today,
}: AccountProps): ReactNode {
  return (
    <>
      <BooksHeading
        view="account"
        sum={
          <>
            {formatAmount(Math.abs(account.balance), currency)}{" "}
            <small>
              {account.balance < 0 ? "credit" : "debit"}, {account.code} {account.name}, as of{" "}
              {formatDay(asOf, today)}
            </small>
          </>
        }
        end={
          <>
            <AsOf day={asOf} />
            <a
              data-tone="soft"
              href={`/api/v1/b/${book}/export/account?account=${account.id}&as-of=${asOf}`}
            >
              CSV
            </a>
            <a
              data-tone="soft"
              href={`/api/v1/b/${book}/export/account?account=${account.id}&as-of=${asOf}&format=pdf&name=${encodeURIComponent(`${account.code} ${account.name}`)}`}
            >
              PDF
            </a>
          </>
        }
      />
      <LedgerList<AccountLine>
        label={account.name}
        rows={lines}
        idOf={(row) => `${row.entryId}-${row.lineNo}`}
        href={(row) => `?view=journal&open=${row.entryId}`}
        count={count}
        page={page}
        pageRows={pageRows}
        columns={lineColumns({ account, count, book, currency, today })}
        empty={<p>Nothing was posted here up to that day.</p>}
      />
    </>
  );
}

type LineColumnsAsked = Pick<AccountProps, "account" | "count" | "book" | "currency" | "today">;

function lineColumns({
  account,
  count,
  book,
  currency,
  today,
}: LineColumnsAsked): ListColumn<AccountLine>[] {
  return [
    {
      id: "on",
      header: "Posted",
      width: "13%",
      cell: (row) => formatDay(row.postedOn, today),
      foot: `${count} lines`,
    },
    {
      id: "event",
      header: "Event",
      width: "12%",
      cell: (row) => row.event.replaceAll("_", " "),
    },
    {
      id: "document",
      header: "Document",
      width: "27%",
      cell: (row) =>
        row.href ? (
          <NextLink href={`/b/${book}/${row.href}`} prefetch={false}>
            {row.document}
          </NextLink>
        ) : (
          row.document
        ),
    },
    { id: "party", header: "Customer", width: "18%", cell: (row) => row.party ?? "–" },
    {
      id: "debit",
      header: "Debit",
      width: "10%",
      number: true,
      cell: (row) => <Amount of={minor(Math.max(0, row.bookAmount))} currency={currency} dash />,
    },
    {
      id: "credit",
      header: "Credit",
      width: "10%",
      number: true,
      cell: (row) => <Amount of={minor(Math.max(0, -row.bookAmount))} currency={currency} dash />,
    },
    {
      id: "running",
      header: "Balance",
      width: "10%",
      number: true,
      cell: (row) => <Amount of={row.running} currency={currency} />,
      foot: <Total>{formatAmount(account.balance, currency)}</Total>,
    },
  ];
}
