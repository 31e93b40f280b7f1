"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";
import type { OpenLine } from "@/core/metrics";
import { formatAmount, type Minor } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { Tick } from "../kit/fields";
import { PageHeading, Title } from "../kit/headings";
import { ListFiles } from "../kit/lists/ListFiles";
import { LedgerList } from "../kit/lists/LedgerList";
import { SearchBox } from "../kit/lists/SearchBox";
import type { ListColumn } from "../kit/lists/columns";
import { useChosen } from "../kit/lists/useChosen";
import { ChosenInvoices, type ChosenRow } from "./ChosenInvoices";
import { InvoiceTabs, NewInvoice } from "./InvoiceTabs";

export type InvoiceState = "open" | "overdue" | "paid" | "all";
type Invoice = Omit<OpenLine, "bookBalance"> & ChosenRow;
type Props = BookFacts & {
  rows: Invoice[];
  count: number;
  total: Minor;
  balance: Minor;
  state: InvoiceState;
  issued: string | null;
  text: string;
  sorted: string;
  page: number;
  pageRows: number;
};

/** Invoices and credit notes by state, with their sums. */
export function InvoicesPage(props: Props): ReactNode {
  const { currency, book, today, state, text } = props;
  const query = `${text === "" ? "" : `&q=${encodeURIComponent(text)}`}${props.issued === null ? "" : `&issued=${props.issued}`}`;
  const { chosen, toggle, clear } = useChosen();
  return (
    <>
      <InvoicesHeading
        book={book}
        currency={currency}
        props={props}
        query={query}
        state={state}
        text={text}
      />
      <ChosenInvoices
        rows={props.rows.filter(({ id }) => chosen.has(id))}
        today={today}
        clear={clear}
      />
      <LedgerList<Invoice>
        label="Invoices"
        rows={props.rows}
        idOf={(row) => row.id}
        href={(row) => `/b/${book}/invoices/${row.id}`}
        sorted={props.sorted}
        count={props.count}
        page={props.page}
        pageRows={props.pageRows}
        columns={[tickColumn({ chosen, toggle }), ...invoiceColumns({ currency, props, today })]}
        empty={<NoInvoices book={book} state={state} text={text} />}
      />
    </>
  );
}

type InvoicesHeadingProps = {
  book: Props["book"];
  currency: Props["currency"];
  props: Props;
  query: string;
  state: Props["state"];
  text: Props["text"];
};

function InvoicesHeading({
  book,
  currency,
  props,
  query,
  state,
  text,
}: InvoicesHeadingProps): ReactNode {
  return (
    <PageHeading>
      <Title>
        {formatAmount(props.balance, currency)}{" "}
        <small>
          open on {props.count} {props.count === 1 ? "invoice" : "invoices"}
          {props.issued === null ? "" : ` issued in ${props.issued}`}
        </small>
      </Title>
      <InvoiceTabs here={state} query={query} />
      <NewInvoice book={book}>
        <SearchBox label="Number, customer, PO, sum, day or words" value={text} />
        <ListFiles book={book} list="invoices" more={{ state }} />
      </NewInvoice>
    </PageHeading>
  );
}

type TickColumnProps = Pick<ReturnType<typeof useChosen>, "chosen" | "toggle">;

const tickColumn = ({ chosen, toggle }: TickColumnProps): ListColumn<Invoice> => ({
  id: "chosen",
  header: "Chosen",
  box: true,
  width: "4%",
  cell: ({ id, number }) => (
    <Tick
      aria-label={`Choose ${number}`}
      checked={chosen.has(id)}
      onClick={(event) => event.stopPropagation()}
      onChange={() => toggle(id)}
    />
  ),
});

type InvoiceColumnsProps = {
  currency: Props["currency"];
  props: Props;
  today: Props["today"];
};

function invoiceColumns({ currency, props, today }: InvoiceColumnsProps): ListColumn<Invoice>[] {
  return [
    {
      id: "number",
      narrow: "more",
      header: "Number",
      width: "10%",
      sort: "number",
      cell: (row) => row.number,
      foot: props.count === 1 ? "1 item" : `${props.count} items`,
    },
    {
      id: "customer",
      narrow: "who",
      header: "Customer",
      width: "21%",
      sort: "customer",
      cell: (row) => <span title={row.customer}>{row.customer}</span>,
    },
    {
      id: "for",
      header: "For",
      width: "17%",
      cell: (row) =>
        row.kind === "credit_note" ? (
          "credit note"
        ) : (
          <span title={row.description ?? ""}>{row.description ?? "–"}</span>
        ),
    },
    { id: "po", header: "PO", width: "9%", cell: (row) => row.poNumber ?? "–" },
    {
      id: "issued",
      header: "Issued",
      width: "10%",
      sort: "issued",
      cell: (row) => formatDay(row.issuedOn, today),
    },
    {
      id: "due",
      narrow: "state",
      header: "Due",
      width: "12%",
      sort: "due",
      cell: (row) => (
        <span data-tone={row.balance > 0 && row.dueOn < today ? "off" : undefined}>
          {formatDay(row.dueOn, today)}
          {row.balance > 0 && row.dueOn < today ? " !" : ""}
        </span>
      ),
    },
    {
      id: "total",
      header: "Total",
      width: "8%",
      number: true,
      sort: "total",
      cell: (row) => <Amount of={row.total} currency={row.currency} />,
      foot: formatAmount(props.total, currency),
    },
    {
      id: "open",
      narrow: "sum",
      header: "Open",
      width: "9%",
      number: true,
      sort: "open",
      cell: (row) => <Amount of={row.balance} currency={row.currency} dash />,
      foot: <Total>{formatAmount(props.balance, currency)}</Total>,
    },
  ];
}

type NoInvoicesProps = {
  book: Props["book"];
  state: Props["state"];
  text: Props["text"];
};

function NoInvoices({ book, state, text }: NoInvoicesProps): ReactNode {
  if (text)
    return (
      <p>
        No invoice is like that. Try part of its number, of the customer’s name, or how a word of
        its lines begins.
      </p>
    );
  if (state === "overdue") return <p>Nothing is overdue.</p>;
  return (
    <>
      <p>No invoices here.</p>
      <p>
        They are <NextLink href={`/b/${book}/invoices/new`}>written here</NextLink>, or come with a
        file: <NextLink href={`/b/${book}/arrivals`}>Arrivals</NextLink>.
      </p>
    </>
  );
}
