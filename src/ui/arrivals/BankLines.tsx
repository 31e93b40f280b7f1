"use client";

import type { ReactNode } from "react";

import type { Accounts } from "@/contracts/arrivals";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount, type Minor } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { FilterLine, HeadingEnd, PageHeading, Tab, Title } from "../kit/headings";
import { ListFiles } from "../kit/lists/ListFiles";
import { LedgerList } from "../kit/lists/LedgerList";
import { SearchBox } from "../kit/lists/SearchBox";
import { useOpenRow } from "../kit/lists/useOpenRow";
import { ArrivalsTabs } from "./ArrivalsTabs";
import { type Rule, Rules } from "./LineRules";
import { LineWorkings } from "./LineWorkings";
import { type Line, LINE_WORDS, type State } from "./lineTypes";

type Props = {
  book: string;
  currency: Currency;
  today: Day;
  rows: Line[];
  count: number;
  sum: Minor;
  state: State | null;
  text: string;
  page: number;
  pageRows: number;
  rules: Rule[];
  accounts: Accounts["bank"];
};
const STATES: readonly (readonly [State, string])[] = [
  ["open", "To explain"],
  ["payout", "Payouts"],
  ["receipt", "Receipts"],
  ["deposit", "Deposits"],
  ["elsewhere", "Put aside"],
];
/** The lines of the statement: what each is, and what is still to be explained. */
export function BankLines(props: Props): ReactNode {
  const { currency, today, book, state, rows } = props;
  const [open, setOpen] = useOpenRow();
  return (
    <>
      <PageHeading>
        <Title>
          {formatAmount(props.sum, currency)} <small>{props.count} bank lines</small>
        </Title>
        <ArrivalsTabs at="lines">
          <FilterLine marginLeft="12px">
            {STATES.map(([name, words]) => (
              <Tab key={name} href={`?list=lines&state=${name}`} here={state === name}>
                {words}
              </Tab>
            ))}
            <Tab href="?list=lines" here={state === null}>
              All lines
            </Tab>
          </FilterLine>
        </ArrivalsTabs>
        <HeadingEnd>
          <SearchBox label="Find in descriptions" value={props.text} />
          <ListFiles book={book} list="bank-lines" />
        </HeadingEnd>
      </PageHeading>
      <LedgerList<Line>
        label="Bank lines"
        rows={rows}
        idOf={(line) => line.id}
        openId={open}
        onOpen={setOpen}
        wantsLook={(line) => line.state === "open"}
        count={props.count}
        page={props.page}
        pageRows={props.pageRows}
        columns={[
          {
            id: "on",
            narrow: "more",
            header: "Date",
            width: "12%",
            cell: (line) => formatDay(line.postedOn, today),
            foot: `${props.count} lines`,
          },
          {
            id: "words",
            narrow: "who",
            header: "Description",
            width: "56%",
            cell: (line) => <span title={line.description}>{line.description}</span>,
          },
          {
            id: "is",
            narrow: "state",
            header: "What it is",
            width: "18%",
            cell: (line) => (
              <span data-tone={line.state === "open" ? "waits" : undefined}>
                {LINE_WORDS[line.state]}
              </span>
            ),
          },
          {
            id: "sum",
            narrow: "sum",
            header: "Amount",
            width: "14%",
            number: true,
            cell: (line) => <Amount of={line.amount} currency={currency} />,
            foot: <Total>{formatAmount(props.sum, currency)}</Total>,
          },
        ]}
        workings={(line) => (
          <LineWorkings
            key={line.id}
            line={line}
            currency={currency}
            mayBeEverywhere={props.accounts.length > 1}
            done={() => setOpen(rows[rows.findIndex((row) => row.id === line.id) + 1]?.id ?? null)}
          />
        )}
        empty={
          state === "open" ? (
            <p>Every bank line is explained.</p>
          ) : (
            <p>No lines. They come with a bank statement.</p>
          )
        }
      />
      {props.rules.length > 0 ? <Rules rules={props.rules} currency={currency} /> : null}
    </>
  );
}
