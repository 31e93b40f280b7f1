"use client";

import NextLink from "next/link";
import { type ReactNode, useState } from "react";

import type { Day } from "@/core/calendar";

import { Amount, Total } from "../kit/Amount";
import { RowButton } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { Form } from "../kit/layout";
import { LedgerList } from "../kit/lists/LedgerList";
import type { ListColumn } from "../kit/lists/columns";
import { useActing } from "../shell/Notices";
import { AutomaticHeading, type Props, type Row } from "./AutomaticHeading";
import { FilesWaiting } from "./FilesWaiting";
import { OverdueTabs } from "./OverdueTabs";

/** What goes without a look next, and when; anyone can be taken out beforehand, with a reason. */
export function AutomaticLettersPage({
  book,
  currency,
  today,
  on,
  hour,
  gone,
  going,
  sum,
  rows,
  count,
  page,
  pageRows,
  filesWaiting,
}: Props): ReactNode {
  const { act } = useActing();
  const now = (): void =>
    void act<{ sent: number }>("runLetters", { despiteFiles: filesWaiting }, (value) => ({
      words: `${value.sent} ${value.sent === 1 ? "letter goes" : "letters go"} to the outbox.`,
      final: "Letters that left cannot be taken back.",
    }));
  return (
    <>
      <AutomaticHeading
        currency={currency}
        going={going}
        gone={gone}
        hour={hour}
        now={now}
        on={on}
        sum={sum}
        today={today}
        waiting={filesWaiting.length}
      />
      <FilesWaiting book={book} names={filesWaiting} />
      <OverdueTabs at="by-itself" />
      <LedgerList<Row>
        label="Letters that go by themselves"
        rows={rows}
        idOf={(row) => row.customerId}
        count={count}
        page={page}
        pageRows={pageRows}
        columns={automaticColumns({ book, count, currency, going, on, sum, today })}
        empty={<NoAutomaticLetter book={book} on={on} />}
      />
    </>
  );
}
type AutomaticColumnsProps = {
  book: Props["book"];
  count: Props["count"];
  currency: Props["currency"];
  going: Props["going"];
  on: Props["on"];
  sum: Props["sum"];
  today: Props["today"];
};
function automaticColumns({
  book,
  count,
  currency,
  going,
  on,
  sum,
  today,
}: AutomaticColumnsProps): ListColumn<Row>[] {
  return [
    {
      id: "customer",
      narrow: "who",
      header: "Customer",
      width: "34%",
      cell: (row) => (
        <NextLink href={`/b/${book}/customers/${row.customerId}`} prefetch={false}>
          {row.why === null && row.problem === null ? row.name : <s>{row.name}</s>}
        </NextLink>
      ),
      foot: `${going} of ${count}`,
    },
    {
      id: "step",
      narrow: "state",
      header: "Says",
      width: "36%",
      cell: (row) => {
        if (row.problem !== null) return <span data-tone="off">{row.problem}</span>;
        if (row.why !== null) return <span data-tone="waits">taken out: {row.why}</span>;
        return row.step;
      },
    },
    {
      id: "sum",
      narrow: "sum",
      header: "Sum",
      width: "12%",
      number: true,
      cell: (row) => <Amount of={row.sum} currency={currency} />,
      foot: (
        <Total>
          <Amount of={sum} currency={currency} />
        </Total>
      ),
    },
    {
      id: "out",
      narrow: "more",
      header: "Beforehand",
      width: "18%",
      number: true,
      cell: (row) => <TakeOut row={row} on={on ?? today} />,
    },
  ];
}
type NoAutomaticLetterProps = {
  book: Props["book"];
  on: Props["on"];
};
function NoAutomaticLetter({ book, on }: NoAutomaticLetterProps): ReactNode {
  if (on === null)
    return (
      <>
        <p>No letter goes without a look.</p>
        <p>
          <NextLink href={`/b/${book}/settings`} prefetch={false}>
            Set-up
          </NextLink>{" "}
          says on which days letters go that may.
        </p>
      </>
    );
  return (
    <>
      <p>Nobody gets a letter without a look that day.</p>
      <p>
        A letter goes by itself only where its{" "}
        <NextLink href="?show=ladders" prefetch={false}>
          step
        </NextLink>{" "}
        and the customer’s page both say so, and nothing holds it back.
      </p>
    </>
  );
}
function TakeOut({ row, on }: { row: Row; on: Day }): ReactNode {
  const { act, busy } = useActing();
  const [asking, setAsking] = useState(false);
  const [why, setWhy] = useState("");
  const skip = (reason: string | null): void =>
    void act("skipRun", { customerId: row.customerId, onDay: on, why: reason }, () => ({
      words:
        reason === null
          ? `${row.name} gets its letter again.`
          : `${row.name} gets no letter that day.`,
    })).then(() => setAsking(false));
  if (row.why !== null)
    return (
      <RowButton data-strong disabled={busy} onClick={() => skip(null)}>
        put back
      </RowButton>
    );
  if (!asking)
    return (
      <RowButton data-tone="soft" disabled={busy} onClick={() => setAsking(true)}>
        take out
      </RowButton>
    );
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        skip(why);
      }}
    >
      <LineField
        kind="words"
        width="190px"
        autoFocus
        aria-label={`Why ${row.name} is taken out`}
        placeholder="why, then Enter"
        value={why}
        onChange={(event) => setWhy(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Escape") setAsking(false);
        }}
      />
    </Form>
  );
}
