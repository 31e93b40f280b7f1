"use client";

import { Box } from "@chakra-ui/react";
import NextLink from "next/link";
import type { ReactNode } from "react";

import type { ReturnRow } from "@/contracts/payouts";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount, type Minor } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { HeadingEnd, PageHeading, Title } from "../kit/headings";
import { ListFiles } from "../kit/lists/ListFiles";
import { ActRow } from "../kit/layout";
import { LedgerList } from "../kit/lists/LedgerList";
import { useOpenRow } from "../kit/lists/useOpenRow";
import { PayoutTabs } from "./PayoutTabs";
import { ReturnActions } from "./ReturnActions";

type Props = {
  book: string;
  currency: Currency;
  today: Day;
  rows: ReturnRow[];
  open: number;
  /** What is to be dealt with, and all that is listed, in the book's currency. */
  sum: Minor;
  listed: Minor;
};
/** Everything that came back: refunds, disputes, returns, wrong accounts; what must be done by a day stands first. */
export function ReturnsPage({ book, currency, today, rows, open, sum, listed }: Props): ReactNode {
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
              {formatAmount(sum, currency)}{" "}
              <small>
                to deal with in {open}, {formatAmount(listed, currency)} came back
              </small>
            </>
          )}
        </Title>
        <PayoutTabs at="back" />
        <HeadingEnd>
          <ListFiles book={book} list="came-back" />
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
            narrow: "more",
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
          { id: "what", narrow: "state", header: "What", width: "17%", cell: (row) => row.what },
          {
            id: "from",
            narrow: "who",
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
            narrow: "sum",
            header: "Sum",
            width: "10%",
            number: true,
            cell: (row) =>
              row.sum === null ? "–" : <Amount of={row.sum} currency={row.currency} />,
            foot: <Total>{formatAmount(listed, currency)}</Total>,
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
