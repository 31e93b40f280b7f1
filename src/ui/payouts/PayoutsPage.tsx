"use client";

import { Box } from "@chakra-ui/react";
import dynamic from "next/dynamic";
import NextLink from "next/link";
import type { ReactNode } from "react";

import type { BandDay, PayoutRow } from "@/contracts/payouts";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount, sumOf } from "@/core/money";

import { Amount, LeftOver, Total } from "../kit/Amount";
import { HeadingEnd, PageHeading, Title } from "../kit/headings";
import { LedgerList, type ListColumn } from "../kit/lists/LedgerList";
import { useOpenRow } from "../kit/lists/useOpenRow";
import { PayoutTabs } from "./PayoutTabs";
import { PayoutWorkings } from "./PayoutWorkings";

const Band = dynamic(() => import("./Band").then((module) => module.Band), {
  ssr: false,
  loading: () => <Box height="132px" />,
});

type Props = {
  book: string;
  currency: Currency;
  today: Day;
  rows: PayoutRow[];
  days: BandDay[];
  month: string;
  before: string;
  after: string;
  onlyOpen: boolean;
};

/** Payouts: each taken apart to its items and tied to its bank line; what is off stands on top in red. */
export function PayoutsPage(props: Props): ReactNode {
  const { currency, rows, today } = props;
  const [open, setOpen] = useOpenRow();
  const off = rows.filter((row) => row.shown === "off" || row.shown === "late");
  const offBy = sumOf(off, (row) => (row.abroad ? row.bookNet : (row.offBy ?? row.net)));
  return (
    <>
      <PageHeading>
        <Title>
          {off.length === 0 ? (
            <>
              <span data-tone="good">0.00</span>{" "}
              <small>off: every payout that is due comes out</small>
            </>
          ) : (
            <>
              <span data-tone="off">{formatAmount(offBy, currency)}</span>{" "}
              <small>
                off, {off.length} {off.length === 1 ? "payout" : "payouts"}
              </small>
            </>
          )}
        </Title>
        <PayoutTabs at="payouts">
          <NextLink
            href={`?month=${props.month}`}
            aria-current={props.onlyOpen ? undefined : "page"}
            prefetch={false}
          >
            {monthWords(props.month)}
          </NextLink>
          <NextLink
            href={`?month=${props.month}&show=open`}
            aria-current={props.onlyOpen ? "page" : undefined}
            prefetch={false}
          >
            Not tied <b>{rows.filter((row) => row.shown !== "tied").length}</b>
          </NextLink>
        </PayoutTabs>
        <HeadingEnd>
          <NextLink href={`?month=${props.before}`} prefetch={false}>
            month before
          </NextLink>
          {props.month < today.slice(0, 7) ? (
            <NextLink href={`?month=${props.after}`} prefetch={false}>
              month after
            </NextLink>
          ) : null}
          <a data-tone="soft" href={`/api/v1/b/${props.book}/export/payouts`}>
            CSV
          </a>
        </HeadingEnd>
      </PageHeading>
      <Band days={props.days} currency={currency} today={today} />
      <LedgerList<PayoutRow>
        label="Payouts"
        rows={rows}
        idOf={(row) => row.id}
        openId={open}
        onOpen={setOpen}
        columns={columnsOf(props)}
        workings={(row) => (
          <PayoutWorkings
            key={row.id}
            row={row}
            currency={currency}
            today={today}
            done={() => {
              const at = rows.findIndex((payout) => payout.id === row.id);
              setOpen(rows[at + 1]?.id ?? null);
            }}
          />
        )}
        empty={
          <>
            <p>No payouts in this month.</p>
            <p>
              They come with the processor’s file:{" "}
              <NextLink href={`/b/${props.book}/arrivals`}>Arrivals</NextLink>.
            </p>
          </>
        }
      />
    </>
  );
}

function monthWords(month: string): string {
  return new Intl.DateTimeFormat("en", { month: "long", year: "numeric", timeZone: "UTC" }).format(
    new Date(`${month}-15T00:00:00Z`),
  );
}

function columnsOf({ currency, today, rows }: Props): ListColumn<PayoutRow>[] {
  // Each currency has a total of its own.
  const currencies = [...new Set([currency, ...rows.map((row) => row.currency)])];
  const sum = (pick: (row: PayoutRow) => number): ReactNode =>
    currencies.map((currency) => (
      <Box key={currency}>
        <Amount
          of={sumOf(
            rows.filter((row) => row.currency === currency),
            pick,
          )}
          currency={currency}
          dash
        />
      </Box>
    ));
  const amount = (of: number, row: PayoutRow): ReactNode => (
    <Amount of={of} currency={row.currency} dash />
  );
  return [
    {
      id: "payout",
      header: "Payout",
      width: "16%",
      cell: (row) => (
        <span title={`${row.externalId}, ${row.processorName}`}>
          {row.externalId}, {row.chargeCount} {row.chargeCount === 1 ? "charge" : "charges"}
        </span>
      ),
      foot: `${rows.length} payouts`,
    },
    {
      id: "bank",
      header: "At the bank",
      width: "11%",
      cell: (row) =>
        row.bankOn ? (
          formatDay(row.bankOn, today)
        ) : (
          <span data-tone={row.shown === "late" ? "off" : "soft"}>
            {row.shown === "late" ? "late, due " : "due "}
            {formatDay(row.expectedOn, today)}
          </span>
        ),
    },
    {
      id: "takings",
      header: "Takings of",
      width: "14%",
      cell: (row) => {
        if (!(row.takenFrom && row.takenTo)) return "–";
        if (row.takenFrom === row.takenTo) return formatDay(row.takenFrom, today);
        return `${formatDay(row.takenFrom, today)} to ${formatDay(row.takenTo, today)}`;
      },
    },
    {
      id: "charges",
      header: "Charges",
      width: "9%",
      number: true,
      cell: (row) => amount(row.charges, row),
      foot: sum((row) => row.charges),
    },
    {
      id: "fees",
      header: "Fees",
      width: "8%",
      number: true,
      cell: (row) => amount(row.fees, row),
      foot: sum((row) => row.fees),
    },
    {
      id: "refunds",
      header: "Refunds",
      width: "8%",
      number: true,
      cell: (row) => amount(row.refunds, row),
      foot: sum((row) => row.refunds),
    },
    {
      id: "disputes",
      header: "Disputes",
      width: "8%",
      number: true,
      cell: (row) => amount(row.disputes, row),
      foot: sum((row) => row.disputes),
    },
    {
      id: "other",
      header: "Other",
      width: "6%",
      number: true,
      cell: (row) => amount(row.other, row),
      foot: sum((row) => row.other),
    },
    {
      id: "net",
      header: "Should be",
      width: "10%",
      number: true,
      cell: (row) => amount(row.net, row),
      foot: <Total>{sum((row) => row.net)}</Total>,
    },
    {
      id: "line",
      header: "Bank line",
      width: "8%",
      number: true,
      cell: (row) => (row.atBank === null ? "–" : <Amount of={row.atBank} currency={currency} />),
      foot: <Amount of={sumOf(rows, (row) => row.atBank ?? 0)} currency={currency} dash />,
    },
    {
      id: "off",
      header: "Off by",
      width: "8%",
      number: true,
      cell: (row) => offCell(row),
      foot: (
        <LeftOver
          of={sumOf(
            rows.filter((row) => !row.abroad),
            (row) => row.offBy ?? 0,
          )}
          currency={currency}
        />
      ),
    },
  ];
}

function offCell(row: PayoutRow): ReactNode {
  if (row.offBy === null) return "–";
  if (row.shown === "fits") return <span data-tone="waits">tie it</span>;
  return (
    <span data-tone={row.offBy === 0 ? "good" : "off"}>
      <Amount of={row.offBy} currency={row.currency} />
      {row.offBy === 0 ? " ✓" : ""}
    </span>
  );
}
