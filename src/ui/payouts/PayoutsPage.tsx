"use client";

import { Box } from "@chakra-ui/react";
import dynamic from "next/dynamic";
import NextLink from "next/link";
import type { ReactNode } from "react";

import type { PayoutRow, PayoutState } from "@/contracts/payouts";
import { formatAmount, sumOf } from "@/core/money";

import { FilterLine, HeadingEnd, PageHeading, Tab, Title } from "../kit/headings";
import { ListFiles } from "../kit/lists/ListFiles";
import { LedgerList } from "../kit/lists/LedgerList";
import { useOpenRow } from "../kit/lists/useOpenRow";
import { PayoutTabs } from "./PayoutTabs";
import { PayoutWorkings } from "./PayoutWorkings";
import { columnsOf, type Props } from "./payoutColumns";

const Band = dynamic(() => import("./Band").then((module) => module.Band), {
  ssr: false,
  loading: () => <Box height="142px" />,
});
/** States of payouts that somebody has to do something about. */
const WANT_A_LOOK: readonly PayoutState[] = ["off", "late", "fits"];

/** Payouts: each taken apart to its items and tied to its bank line; what is off stands on top in red. */
export function PayoutsPage(props: Props): ReactNode {
  const { currency, rows, today } = props;
  const [open, setOpen] = useOpenRow();
  const off = rows.filter((row) => row.shown === "off" || row.shown === "late");
  const untied = rows.filter((row) => row.shown !== "tied").length;
  const offBy = sumOf(off, (row) => (row.abroad ? row.bookNet : (row.offBy ?? row.net)));
  return (
    <>
      <PageHeading>
        <Title>
          {off.length === 0 ? (
            <>
              <span data-tone="good">0.00</span>{" "}
              <small>off{untied === 0 ? ": every payout is tied" : `, ${untied} to tie`}</small>
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
        <PayoutTabs at="payouts" />
        <HeadingEnd>
          <FilterLine>
            <Tab href={`?month=${props.month}`} here={!props.onlyOpen}>
              {monthWords(props.month)}
            </Tab>
            <Tab href={`?month=${props.month}&show=open`} here={props.onlyOpen}>
              Not tied <b>{untied}</b>
            </Tab>
          </FilterLine>
          <NextLink href={`?month=${props.before}`} prefetch={false}>
            month before
          </NextLink>
          {props.month < today.slice(0, 7) ? (
            <NextLink href={`?month=${props.after}`} prefetch={false}>
              month after
            </NextLink>
          ) : null}
          <ListFiles book={props.book} list="payout-list" more={{ month: props.month }} />
        </HeadingEnd>
      </PageHeading>
      <Band days={props.days} currency={currency} today={today} />
      <LedgerList<PayoutRow>
        label="Payouts"
        rows={rows}
        idOf={(row) => row.id}
        openId={open}
        onOpen={setOpen}
        wantsLook={(row) => WANT_A_LOOK.includes(row.shown)}
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
