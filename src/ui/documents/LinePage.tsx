import NextLink from "next/link";
import type { ReactNode } from "react";

import { formatDay, type Day } from "@/core/calendar";
import { formatAmount, type Minor } from "@/core/money";

import { Story } from "./Story";
import type { Around, Told } from "./types";

type Props = Around & { line: { id: number; postedOn: Day; description: string; amount: Minor; state: "open" | "payout" | "receipt" | "elsewhere" | "deposit" | "bounce"; receiptId: number | null; balanceAfter: Minor | null }; bank: string; payout: { id: number; externalId: string; processor: string } | null; told: Told };

/** A line of the bank's statement: what it is, and what it led to. */
export function LinePage({ line, bank, payout, told, ...around }: Props): ReactNode {
  const { book, currency, today } = around;
  return (
    <>
      <div className="heading"><h1>{formatAmount(line.amount, currency)} <small>{bank}, {formatDay(line.postedOn, today)}</small></h1><span className="strong">{line.description}</span></div>
      <div className="columns">
        <section>
          <h2>What it is</h2>
          <p>
            {line.state === "open" ? <NextLink className="waits" href={`/b/${book}/arrivals?list=lines&state=open&open=${line.id}`}>not explained yet: say what it is</NextLink> : null}
            {payout ? <>the bank’s side of <NextLink href={`/b/${book}/payouts/${payout.id}`}>payout {payout.externalId}</NextLink>, {payout.processor}</> : null}
            {line.state === "receipt" && line.receiptId !== null ? <>a receipt by itself: <NextLink href={`/b/${book}/receipts/${line.receiptId}`}>the receipt</NextLink></> : null}
            {line.state === "deposit" ? "a deposit of checks and cash by hand" : null}
            {line.state === "bounce" ? <>a check that the bank took back, or its fee{line.receiptId === null ? "" : <>: <NextLink href={`/b/${book}/receipts/${line.receiptId}`}>the receipt</NextLink></>}</> : null}
            {line.state === "elsewhere" ? "not of this job, put aside" : null}
          </p>
          {line.balanceAfter !== null ? <p className="soft">The statement says {formatAmount(line.balanceAfter, currency)} stood on the account after it.</p> : null}
        </section>
        <Story told={told} {...around} />
      </div>
    </>
  );
}
