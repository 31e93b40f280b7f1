"use client";

import type { ReactNode } from "react";

import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";
import { formatAmount, sumOf } from "@/core/money";

import { AsOf } from "../kit/lists/AsOf";
import { LedgerList } from "../kit/lists/LedgerList";
import { type Account, type AccountLine, lineColumns, trialColumns } from "./accountColumns";
import { BooksHeading } from "./BooksHeading";

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
        columns={trialColumns({ accounts, asOf, currency, debit, credit })}
        empty={<p>There is no account.</p>}
      />
    </>
  );
}

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
