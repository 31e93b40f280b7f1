import NextLink from "next/link";

import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";
import { formatAmount, minor, type Minor } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import type { ListColumn } from "../kit/lists/columns";

export type Account = { id: number; code: string; name: string; role: string; balance: Minor };

type TrialColumnsAsked = Pick<BookFacts, "currency"> & {
  accounts: Account[];
  asOf: Day;
  debit: Minor;
  credit: Minor;
};

/** The columns of the trial balance. */
export function trialColumns({
  accounts,
  asOf,
  currency,
  debit,
  credit,
}: TrialColumnsAsked): ListColumn<Account>[] {
  return [
    {
      id: "code",
      header: "Account",
      width: "10%",
      cell: (row) => row.code,
      foot: `${accounts.length} accounts`,
    },
    {
      id: "name",
      narrow: "who",
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
      narrow: "state",
      header: "For",
      width: "16%",
      cell: (row) => <span data-tone="soft">{row.role.replaceAll("_", " ")}</span>,
    },
    {
      id: "debit",
      narrow: "sum",
      header: "Debit",
      width: "14%",
      number: true,
      cell: (row) => <Amount of={Math.max(0, row.balance)} currency={currency} dash />,
      foot: <Total>{formatAmount(debit, currency)}</Total>,
    },
    {
      id: "credit",
      narrow: "more",
      header: "Credit",
      width: "14%",
      number: true,
      cell: (row) => <Amount of={Math.max(0, -row.balance)} currency={currency} dash />,
      foot: <Total>{formatAmount(credit, currency)}</Total>,
    },
  ];
}

export type AccountLine = {
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

type LineColumnsAsked = BookFacts & { account: Account; count: number };

export function lineColumns({
  account,
  count,
  book,
  currency,
  today,
}: LineColumnsAsked): ListColumn<AccountLine>[] {
  return [
    {
      id: "on",
      narrow: "more",
      header: "Posted",
      width: "13%",
      cell: (row) => formatDay(row.postedOn, today),
      foot: `${count} lines`,
    },
    {
      id: "event",
      narrow: "state",
      header: "Event",
      width: "12%",
      cell: (row) => row.event.replaceAll("_", " "),
    },
    {
      id: "document",
      narrow: "who",
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
      narrow: "sum",
      header: "Balance",
      width: "10%",
      number: true,
      cell: (row) => <Amount of={row.running} currency={currency} />,
      foot: <Total>{formatAmount(account.balance, currency)}</Total>,
    },
  ];
}
