"use client";

import NextLink from "next/link";
import { type ReactNode, useCallback, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import { type MatchRow, QUEUE_KINDS, type QueueName, QUEUES } from "@/contracts/match";
import { formatDay } from "@/core/calendar";
import { formatAmount } from "@/core/money";

import { Amount, LeftOver, Total } from "../kit/Amount";
import type { ListColumn } from "../kit/lists/LedgerList";
import { LongList } from "../kit/lists/LongList";
import { useOpenRow } from "../kit/lists/useOpenRow";
import { load } from "../shell/send";
import { ApprovalWorkings } from "./ApprovalWorkings";
import { AsideWorkings } from "./AsideWorkings";
import { MatchHeading, type Props } from "./MatchHeading";
import { OnHand } from "./OnHand";
import { RecordReceipt } from "./RecordReceipt";
import { SureLook } from "./SureLook";
import { TallyWorkings } from "./TallyWorkings";

/**
 * Match: every receipt that has no home yet, in three queues by certainty, and those that wait for
 * something else; the open one is worked on in place.
 */
export function MatchPage(props: Props): ReactNode {
  const { book, currency, today, queue, sums, total, hand } = props;
  const [looking, setLooking] = useState(false);
  const [recording, setRecording] = useState(false);
  useHotkeys("a", () => setLooking(sums.sure.count > 0), [sums.sure.count]);
  useHotkeys("n", () => setRecording(true), { preventDefault: true });
  const handCount = hand.rows.length + hand.deposits.length;
  return (
    <>
      <MatchHeading
        book={book}
        currency={currency}
        handCount={handCount}
        looking={looking}
        queue={queue}
        recording={recording}
        setLooking={setLooking}
        setRecording={setRecording}
        sums={sums}
        total={total}
      />
      {recording ? (
        <RecordReceipt
          currency={currency}
          today={today}
          close={() => setRecording(false)}
          recorded={() => undefined}
        />
      ) : null}
      {looking ? (
        <SureLook
          currency={currency}
          waiting={{
            count: sums.sure.count + sums.check.count + sums.none.count + sums.second.count,
            sum: total,
          }}
          close={() => setLooking(false)}
        />
      ) : (
        <QueueList {...props} />
      )}
    </>
  );
}

/** The rows of the queue that is open; what is on hand has a list of its own. */
function QueueList(props: Props): ReactNode {
  const { book, currency, today, queue, sorted, sums, hand } = props;
  const [open, setOpen] = useOpenRow();
  const blocks = useCallback(
    (from: number) =>
      load<MatchRow[]>(`/api/v1/b/${book}/match?queue=${queue}&sort=${sorted}&from=${from}`).then(
        (sent) => (sent.ok ? sent.value : null),
      ),
    [book, queue, sorted],
  );
  if (queue === "hand") return <OnHand hand={hand} book={book} currency={currency} today={today} />;
  return (
    <LongList<MatchRow>
      key={`${queue} ${sorted}`}
      label="Receipts"
      first={props.rows}
      count={sums[queue].count}
      idOf={(row) => row.id}
      load={blocks}
      openId={open}
      onOpen={setOpen}
      firstWantsLook={!QUEUE_KINDS[queue].beside}
      sorted={sorted}
      columns={columnsOf(props, queue)}
      workings={(row, next) => {
        if (queue === "aside") return <AsideWorkings key={row.id} row={row} done={next} />;
        if (queue === "second")
          return <ApprovalWorkings key={row.id} row={row} currency={row.currency} done={next} />;
        return (
          <TallyWorkings key={row.id} row={row} currency={row.currency} today={today} done={next} />
        );
      }}
      empty={<Empty book={book} queue={queue} sums={sums} />}
    />
  );
}
function columnsOf({ currency, today, sums }: Props, queue: QueueName): ListColumn<MatchRow>[] {
  return [
    {
      id: "paid",
      narrow: "more",
      header: "Paid",
      width: "9%",
      sort: "paid",
      cell: (row) => formatDay(row.paidOn, today),
      foot: `${sums[queue].count} ${sums[queue].count === 1 ? "receipt" : "receipts"}`,
    },
    { id: "by", header: "By", width: "7%", sort: "by", cell: (row) => row.method },
    {
      id: "from",
      narrow: "who",
      header: "From",
      width: "18%",
      sort: "from",
      cell: (row) => <span title={row.from}>{row.from}</span>,
    },
    {
      id: "memo",
      header: "Memo",
      width: "16%",
      cell: (row) => <span title={row.memo}>{row.memo}</span>,
    },
    {
      id: "best",
      header: bestHeader(queue),
      width: "19%",
      cell: (row) => <span title={row.best}>{row.best}</span>,
    },
    {
      id: "look",
      narrow: "state",
      header: "Look at",
      width: "16%",
      sort: "look",
      cell: (row) => (
        <span data-tone={row.lookAgainst ? "waits" : undefined} title={row.look}>
          {row.look}
        </span>
      ),
    },
    {
      id: "amount",
      narrow: "sum",
      header: "Amount",
      width: "9%",
      number: true,
      sort: "amount",
      cell: (row) => <Amount of={row.amount} currency={row.currency} />,
      foot: <Total>{formatAmount(sums[queue].sum, currency)}</Total>,
    },
    {
      id: "left",
      header: "Left over",
      width: "7%",
      number: true,
      cell: (row) =>
        row.leftOver === null || queue === "aside" ? (
          "–"
        ) : (
          <LeftOver of={row.leftOver} currency={row.currency} />
        ),
    },
  ];
}
function bestHeader(queue: string): string {
  if (queue === "aside") return "Why set aside";
  if (queue === "second") return "What is asked";
  return "Best reading";
}

function Empty({
  book,
  queue,
  sums,
}: {
  book: string;
  queue: QueueName;
  sums: Props["sums"];
}): ReactNode {
  const { empty } = QUEUE_KINDS[queue];
  if (empty !== null) return <p>{empty}</p>;
  const other = QUEUES.find(
    (name) => name !== queue && !QUEUE_KINDS[name].beside && sums[name].count > 0,
  );
  if (other)
    return (
      <p>
        Nothing here.{" "}
        <NextLink href={`?queue=${other}`}>
          {QUEUE_KINDS[other].label} has {sums[other].count}
        </NextLink>
        .
      </p>
    );
  return (
    <>
      <p>Every receipt has a home.</p>
      <p>
        New ones come with the next files:{" "}
        <NextLink href={`/b/${book}/arrivals`}>Arrivals</NextLink>.
      </p>
    </>
  );
}
