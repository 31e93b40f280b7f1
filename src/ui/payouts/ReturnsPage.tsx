"use client";

import { Box } from "@chakra-ui/react";
import NextLink from "next/link";
import { type ReactNode, useState } from "react";

import type { ReturnRow } from "@/contracts/payouts";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount, type Minor } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { Act } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { HeadingEnd, PageHeading, Title } from "../kit/headings";
import { ActRow } from "../kit/layout";
import { LedgerList } from "../kit/lists/LedgerList";
import { useOpenRow } from "../kit/lists/useOpenRow";
import { useActing } from "../shell/Notices";
import { PayoutTabs } from "./PayoutTabs";

type Todo =
  | { as: "retry"; returnItemId: number; until: Day; first: Day }
  | { as: "answer"; processorItemId: number }
  | {
      as: "credit_note";
      receiptId: number;
      customerId: number;
      notes: { itemId: number; number: string; sum: Minor }[];
      missing: Minor;
    }
  | { as: "mend"; noticeId: number };

type Props = {
  book: string;
  currency: Currency;
  today: Day;
  rows: ReturnRow[];
  open: number;
  sum: Minor;
};

/** Everything that came back: refunds, disputes, returns, wrong accounts; what must be done by a day stands first. */
export function ReturnsPage({ book, currency, today, rows, open, sum }: Props): ReactNode {
  const [openKey, setOpen] = useOpenRow();
  return (
    <>
      <PageHeading>
        <Title>
          {open === 0 ? (
            <>
              <span data-tone="good">0.00</span> <small>came back that wants something done</small>
            </>
          ) : (
            <>
              {formatAmount(sum, currency)} <small>came back, {open} to deal with</small>
            </>
          )}
        </Title>
        <PayoutTabs at="back" />
        <HeadingEnd>
          <a data-tone="soft" href={`/api/v1/b/${book}/export/came-back`}>
            CSV
          </a>
        </HeadingEnd>
      </PageHeading>
      <LedgerList<ReturnRow>
        label="What came back"
        rows={rows}
        idOf={(row) => row.id}
        openId={openKey}
        onOpen={setOpen}
        columns={[
          {
            id: "until",
            header: "Do by",
            width: "13%",
            cell: (row) => {
              if (row.until !== null)
                return (
                  <span data-tone={row.until < today ? "off" : "waits"}>
                    {formatDay(row.until, today)}
                  </span>
                );
              if (row.open) return <span data-tone="waits">to do</span>;
              return "–";
            },
            foot: `${rows.length} in 60 days`,
          },
          { id: "what", header: "What", width: "17%", cell: (row) => row.what },
          {
            id: "from",
            header: "Whose",
            width: "22%",
            cell: (row) => (
              <span title={row.from}>{row.from || <span data-tone="soft">not known</span>}</span>
            ),
          },
          {
            id: "words",
            header: "What it says",
            width: "26%",
            cell: (row) => <span title={row.words}>{row.words}</span>,
          },
          { id: "on", header: "Came back", width: "12%", cell: (row) => formatDay(row.on, today) },
          {
            id: "sum",
            header: "Sum",
            width: "10%",
            number: true,
            cell: (row) =>
              row.sum === null ? "–" : <Amount of={row.sum} currency={row.currency} />,
            foot: <Total>{formatAmount(sum, currency)}</Total>,
          },
        ]}
        workings={(row) => (
          <Workings key={row.id} row={row} book={book} currency={row.currency} today={today} />
        )}
        empty={<p data-tone="good">✓ Nothing came back in the last 60 days.</p>}
      />
    </>
  );
}

function Workings({
  row,
  book,
  currency,
  today,
}: {
  row: ReturnRow;
  book: string;
  currency: Currency;
  today: Day;
}): ReactNode {
  return (
    <Box padding="4px 16px">
      <p>
        {formatDay(row.on, today)}:{" "}
        {row.sum === null ? (
          ""
        ) : (
          <>
            <Amount of={row.sum} currency={currency} /> went back,{" "}
          </>
        )}
        {row.words}
        {row.until === null ? "" : `, until ${formatDay(row.until, today)}`}.
      </p>
      {row.todo ? <ReturnActions todo={row.todo} currency={currency} today={today} /> : null}
      <ActRow>
        {row.receiptId === null ? null : (
          <NextLink href={`/b/${book}/receipts/${row.receiptId}`}>
            The receipt and its chain
          </NextLink>
        )}
        {row.customerId === null ? null : (
          <NextLink href={`/b/${book}/customers/${row.customerId}`}>The customer</NextLink>
        )}
      </ActRow>
    </Box>
  );
}

function ReturnActions({
  todo,
  currency,
  today,
}: {
  todo: Todo;
  currency: Currency;
  today: Day;
}): ReactNode {
  const { act, busy } = useActing();
  const [on, setOn] = useState(todo.as === "retry" ? todo.first : today);
  const [why, setWhy] = useState("");
  switch (todo.as) {
    case "retry":
      return (
        <ActRow
          as="form"
          onSubmit={(event) => {
            event.preventDefault();
            void act<{ actId: number; on: Day }>(
              "retryDebit",
              { returnItemId: todo.returnItemId, on },
              (value) => ({
                words: `Tried again on ${formatDay(value.on, today)}.`,
                undo: value.actId,
              }),
            );
          }}
        >
          <label data-tone="soft">
            on{" "}
            <LineField
              kind="plain"
              type="date"
              value={on}
              min={todo.first}
              max={todo.until}
              onChange={(event) => setOn(event.target.value as Day)}
            />
          </label>
          <Act main type="submit" disabled={busy}>
            Try it again
          </Act>
        </ActRow>
      );
    case "answer":
      return (
        <ActRow
          as="form"
          onSubmit={(event) => {
            event.preventDefault();
            void act<{ actId: number }>(
              "answerDispute",
              { processorItemId: todo.processorItemId, why },
              (value) => ({ words: "Marked as answered.", undo: value.actId }),
            );
          }}
        >
          <LineField
            kind="words"
            width="320px"
            aria-label="What was sent"
            placeholder="What was sent as proof"
            value={why}
            onChange={(event) => setWhy(event.target.value)}
          />
          <Act main type="submit" disabled={busy || why.trim().length < 3}>
            It is answered
          </Act>
          <Act
            onClick={() =>
              void act<{ actId: number }>(
                "disputeLost",
                { processorItemId: todo.processorItemId },
                (value) => ({ words: "Lost: what it had paid is open again.", undo: value.actId }),
              )
            }
            disabled={busy}
          >
            It is lost
          </Act>
        </ActRow>
      );
    case "credit_note":
      return (
        <ActRow>
          {todo.notes.map((note) => {
            const sum = Math.min(note.sum, todo.missing);
            return (
              <Act
                key={note.itemId}
                main
                onClick={() =>
                  void act<{ actId: number }>(
                    "useCredit",
                    {
                      receiptId: todo.receiptId,
                      customerId: null,
                      lines: [{ itemId: note.itemId, amount: -sum }],
                    },
                    (value) => ({
                      words: `${note.number} is paid out by this refund.`,
                      undo: value.actId,
                    }),
                  )
                }
                disabled={busy}
              >
                It is for {note.number}, {formatAmount(sum, currency)}
              </Act>
            );
          })}
          {todo.notes.length === 0 ? (
            <span data-tone="soft">When the credit note is in the book, it can be taken here.</span>
          ) : null}
        </ActRow>
      );
    case "mend":
      return (
        <ActRow>
          <Act
            main
            onClick={() =>
              void act<{ actId: number }>("mendAccount", { noticeId: todo.noticeId }, (value) => ({
                words: "Mended.",
                undo: value.actId,
              }))
            }
            disabled={busy}
          >
            It is mended
          </Act>
        </ActRow>
      );
    default:
      throw todo satisfies never;
  }
}
