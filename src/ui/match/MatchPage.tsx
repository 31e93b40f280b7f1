"use client";

import NextLink from "next/link";
import { useState, type ReactNode } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import { formatDay, type Day } from "@/core/calendar";
import { formatAmount, sumOf, type Currency, type Minor } from "@/core/money";

import { Act } from "../Act";
import { LedgerList, type ListColumn } from "../lists/LedgerList";
import { useOpenRow } from "../lists/useOpenRow";
import { LeftOver, Sum } from "../Sum";
import { AsideWorkings } from "./AsideWorkings";
import { SureLook } from "./SureLook";
import type { MatchRow, QueueName } from "./types";
import { TallyWorkings } from "./TallyWorkings";

type Props = { book: string; currency: Currency; today: Day; queue: QueueName; rows: MatchRow[]; sums: Record<QueueName, { count: number; sum: Minor }>; total: Minor; sorted: string; page: number; pageRows: number };

const QUEUES: readonly (readonly [QueueName, string])[] = [["sure", "Sure"], ["check", "To check"], ["none", "No home yet"], ["aside", "Set aside"]];

/** Match: every receipt that has no home yet, in three queues and those set aside; the open one is worked on in place. */
export function MatchPage(props: Props): ReactNode {
  const { currency, queue, rows, sums, total } = props;
  const [open, setOpen] = useOpenRow();
  const [looking, setLooking] = useState(false);
  useHotkeys("a", () => setLooking(sums.sure.count > 0), [sums.sure.count]);
  const next = (id: number): void => {
    const at = rows.findIndex((row) => row.id === id);
    setOpen(rows[at + 1]?.id ?? rows[at - 1]?.id ?? null);
  };
  return (
    <>
      <div className="heading">
        <h1><span className="visually-hidden">To match </span>{formatAmount(total, currency)} <small>to match</small></h1>
        <div className="tabs">
          {QUEUES.map(([name, words]) => (
            <NextLink key={name} href={`?queue=${name}`} aria-current={name === queue ? "page" : undefined} prefetch={false}>
              {words} <b>{sums[name].count}</b>{sums[name].sum > 0 ? `, ${formatAmount(sums[name].sum, currency)}` : ""}
            </NextLink>
          ))}
        </div>
        <div className="end">
          <a className="soft" href={`/api/v1/b/${props.book}/export/match?queue=${queue}`}>CSV</a>
          {sums.sure.count > 0 ? <Act hint="A" onClick={() => setLooking(!looking)}>Look through {sums.sure.count} sure</Act> : null}
        </div>
      </div>
      {looking ? <SureLook currency={currency} close={() => setLooking(false)} /> : (
        <LedgerList<MatchRow>
          label="Receipts" rows={rows} idOf={(row) => row.id} openId={open} onOpen={setOpen} sorted={props.sorted} count={sums[queue].count} page={props.page} pageRows={props.pageRows} columns={columnsOf(props)}
          workings={(row) => (queue === "aside" ? <AsideWorkings key={row.id} row={row} done={() => next(row.id)} /> : <TallyWorkings key={row.id} row={row} currency={currency} today={props.today} done={() => next(row.id)} />)}
          empty={<Empty book={props.book} queue={queue} sums={sums} />}
        />
      )}
    </>
  );
}

function columnsOf({ currency, today, queue, rows, sums }: Props): ListColumn<MatchRow>[] {
  return [
    { id: "paid", header: "Paid", width: "9%", sort: "paid", cell: (row) => formatDay(row.paidOn, today), foot: `${sums[queue].count} ${sums[queue].count === 1 ? "receipt" : "receipts"}` },
    { id: "by", header: "By", width: "7%", sort: "by", cell: (row) => row.method },
    { id: "from", header: "From", width: "18%", sort: "from", cell: (row) => <span title={row.from}>{row.from}</span> },
    { id: "memo", header: "Memo", width: "16%", cell: (row) => <span title={row.memo}>{row.memo}</span> },
    { id: "best", header: queue === "aside" ? "Why set aside" : "Best reading", width: "19%", cell: (row) => <span title={row.best}>{row.best}</span> },
    { id: "look", header: "Look at", width: "17%", sort: "look", cell: (row) => <span className={row.lookAgainst ? "waits" : ""} title={row.look}>{row.look}</span> },
    { id: "amount", header: "Amount", width: "8%", number: true, sort: "amount", cell: (row) => <Sum of={row.amount} currency={currency} />, foot: <span className="total">{formatAmount(rows.length === sums[queue].count ? sumOf(rows, (row) => row.amount) : sums[queue].sum, currency)}</span> },
    { id: "left", header: "Left over", width: "7%", number: true, cell: (row) => (row.leftOver === null || queue === "aside" ? "–" : <LeftOver of={row.leftOver} currency={currency} />) },
  ];
}

function Empty({ book, queue, sums }: { book: string; queue: QueueName; sums: Props["sums"] }): ReactNode {
  if (queue === "aside") return <p>Nothing is set aside.</p>;
  const other = QUEUES.find(([name]) => name !== queue && name !== "aside" && sums[name].count > 0);
  if (other) return <p>Nothing here. <NextLink href={`?queue=${other[0]}`}>{other[1]} has {sums[other[0]].count}</NextLink>.</p>;
  return <><p>Every receipt has a home.</p><p>New ones come with the next files: <NextLink href={`/b/${book}/arrivals`}>Arrivals</NextLink>.</p></>;
}
