"use client";

import { useRouter } from "next/navigation";
import type { ReactNode } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { BookFacts } from "@/contracts/shell";
import { formatAmount, type Minor, negate } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { Act } from "../kit/buttons";
import { HeadingEnd, PageHeading, Title } from "../kit/headings";
import { inDialog } from "../kit/keys";
import { ListFiles } from "../kit/lists/ListFiles";
import { LedgerList, type ListColumn } from "../kit/lists/LedgerList";
import { SearchBox } from "../kit/lists/SearchBox";

/** Leads to an empty customer, by the key N too. */
function NewCustomer({ book }: { book: string }): ReactNode {
  const router = useRouter();
  const write = (): void => router.push(`/b/${book}/customers/new`);
  useHotkeys("n", write, { ignoreEventWhen: inDialog, preventDefault: true }, [book]);
  return (
    <Act main hint="N" onClick={write}>
      New customer
    </Act>
  );
}

type Customer = {
  id: number;
  externalId: string;
  name: string;
  email: string | null;
  leftOut: string | null;
  open: Minor;
  credit: Minor;
  items: number;
};
type Props = BookFacts & {
  rows: Customer[];
  count: number;
  open: Minor;
  credit: Minor;
  text: string;
  sorted: string;
  page: number;
  pageRows: number;
};

/** All customers, with what they owe and what stands to their credit. */
export function CustomersPage(props: Props): ReactNode {
  const { currency, book, rows } = props;
  return (
    <>
      <PageHeading>
        <Title>
          {formatAmount(props.open, currency)}{" "}
          <small>
            owed by {props.count} {props.count === 1 ? "customer" : "customers"}
            {props.credit !== 0 ? `, ${formatAmount(props.credit, currency)} on account` : ""}
          </small>
        </Title>
        <HeadingEnd>
          <SearchBox label="Name, number or e-mail" value={props.text} />
          <ListFiles book={book} list="customers" />
          <NewCustomer book={book} />
        </HeadingEnd>
      </PageHeading>
      <LedgerList<Customer>
        label="Customers"
        rows={rows}
        idOf={(row) => row.id}
        href={(row) => `/b/${book}/customers/${row.id}`}
        sorted={props.sorted}
        count={props.count}
        page={props.page}
        pageRows={props.pageRows}
        columns={customerColumns(props)}
        empty={
          props.text ? (
            <p>No customer is called that.</p>
          ) : (
            <>
              <p>No customers yet.</p>
              <p>They come with a file (Arrivals), or are written here.</p>
            </>
          )
        }
      />
    </>
  );
}

function customerColumns(props: Props): ListColumn<Customer>[] {
  const { currency } = props;
  return [
    {
      id: "name",
      narrow: "who",
      header: "Customer",
      width: "34%",
      sort: "name",
      cell: (row) => (
        <span title={row.name}>
          {row.name}
          {row.leftOut ? <span data-tone="soft"> (left out of follow-up)</span> : null}
        </span>
      ),
      foot: `${props.count} customers`,
    },
    {
      id: "id",
      narrow: "state",
      header: "Number",
      width: "12%",
      sort: "id",
      cell: (row) => row.externalId,
    },
    {
      id: "email",
      header: "E-mail",
      width: "24%",
      cell: (row) => <span title={row.email ?? ""}>{row.email ?? "–"}</span>,
    },
    {
      id: "items",
      header: "Open items",
      width: "8%",
      number: true,
      cell: (row) => row.items || "–",
    },
    {
      id: "open",
      narrow: "sum",
      header: "Owes",
      width: "11%",
      number: true,
      sort: "open",
      cell: (row) => <Amount of={row.open} currency={currency} dash />,
      foot: <Total>{formatAmount(props.open, currency)}</Total>,
    },
    {
      id: "credit",
      narrow: "more",
      header: "On account",
      width: "11%",
      number: true,
      cell: (row) => <Amount of={negate(row.credit)} currency={currency} dash />,
      foot: formatAmount(negate(props.credit), currency, { dash: true }),
    },
  ];
}
