"use client";

import type { ReactNode } from "react";

import type { Waiting } from "@/contracts/approvals";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";
import { sumOf } from "@/core/money";

import { Amount } from "../kit/Amount";
import { RowButton } from "../kit/buttons";
import { PageHeading, Title } from "../kit/headings";
import { LedgerList } from "../kit/lists/LedgerList";
import type { ListColumn } from "../kit/lists/columns";
import { useActing } from "../shell/Notices";

type ApprovalsPageProps = BookFacts & { waiting: Waiting[] };

/** What waits for a second person, of every kind; who asked cannot be the one who agrees. */
export function ApprovalsPage({ waiting, book, currency, today }: ApprovalsPageProps): ReactNode {
  const own = waiting.filter((row) => row.currency === currency);
  const others = waiting.length - own.length;
  return (
    <>
      <PageHeading>
        <Title>
          <Amount of={sumOf(own, ({ sum }) => sum)} currency={currency} />{" "}
          <small>
            in {waiting.length} that {waiting.length === 1 ? "waits" : "wait"} for a second person
            {others > 0 ? `; ${others} in other currencies are not in the sum` : ""}
          </small>
        </Title>
      </PageHeading>
      <LedgerList<Waiting>
        label="Waiting for a second person"
        rows={waiting}
        idOf={({ key }) => key}
        href={({ href }) => `/b/${book}/${href}`}
        columns={columnsOf(today)}
        empty={
          <>
            <p>Nothing waits for a second person.</p>
            <p>
              What is over the limits of the book comes here: invoices and credit notes, the rest of
              a receipt, a debt that is given up, money that is sent back.
            </p>
          </>
        }
      />
    </>
  );
}

/** How each kind is agreed to, or given back. */
const DECIDED: Readonly<
  Record<Waiting["kind"], (id: number, approve: boolean) => readonly [string, object]>
> = {
  document: (id, approve) =>
    approve ? ["approveDocuments", { ids: [id] }] : ["moveDraft", { id, to: "return" }],
  "short receipt": (approvalId, approve) => ["decideWriteOff", { approvalId, approve }],
  refund: (refundId, approve) => ["decideRefund", { refundId, approve }],
  "write-off": (writeOffId, approve) => ["decideInvoiceWriteOff", { writeOffId, approve }],
};

function Decide({ row }: { row: Waiting }): ReactNode {
  const { act, busy } = useActing();
  const decide = (approve: boolean): void => {
    const [command, input] = DECIDED[row.kind](row.id, approve);
    void act(command, input, () => ({
      words: `${row.words} of ${row.customer}: ${approve ? "agreed" : "given back"}.`,
      final: "Its own page says what can still be done with it.",
    }));
  };
  return (
    <>
      <RowButton
        disabled={busy}
        aria-label={`Agree to ${row.words} of ${row.customer}`}
        onClick={() => decide(true)}
      >
        Agree
      </RowButton>{" "}
      <RowButton
        data-tone="soft"
        disabled={busy}
        aria-label={`Give back ${row.words} of ${row.customer}`}
        onClick={() => decide(false)}
      >
        Give back
      </RowButton>
    </>
  );
}

const columnsOf = (today: BookFacts["today"]): ListColumn<Waiting>[] => [
  {
    id: "customer",
    narrow: "who",
    header: "Customer",
    width: "22%",
    cell: ({ customer }) => <span title={customer}>{customer}</span>,
  },
  { id: "what", narrow: "state", header: "What", width: "19%", cell: ({ words }) => words },
  { id: "why", header: "Why", width: "18%", cell: ({ why }) => <span title={why}>{why}</span> },
  {
    id: "asked",
    header: "Asked by",
    width: "18%",
    cell: ({ askedBy, askedOn }) =>
      `${askedBy}${askedOn === null ? "" : `, ${formatDay(askedOn, today)}`}`,
  },
  {
    id: "sum",
    narrow: "sum",
    header: "Sum",
    width: "10%",
    number: true,
    cell: ({ sum, currency }) => <Amount of={sum} currency={currency} />,
  },
  {
    id: "decide",
    narrow: "more",
    header: "Decide",
    box: true,
    width: "13%",
    cell: (row) => <Decide row={row} />,
  },
];
