"use client";

import NextLink from "next/link";
import { type ReactNode, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { ToSend } from "@/contracts/invoices";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";
import { sumOf } from "@/core/money";

import { Amount } from "../kit/Amount";
import { Act } from "../kit/buttons";
import { Tick } from "../kit/fields";
import { PageHeading, Title } from "../kit/headings";
import { inDialog } from "../kit/keys";
import type { ListColumn } from "../kit/lists/columns";
import { useChosen } from "../kit/lists/useChosen";
import { LedgerList } from "../kit/lists/LedgerList";
import { useActing } from "../shell/Notices";
import { InvoiceTabs, NewInvoice } from "./InvoiceTabs";

type ToSendPageProps = BookFacts & { documents: ToSend[] };

/** What is approved and has not reached its customer: by mail at once, or on paper as one print. */
export function ToSendPage({ documents, book, currency, today }: ToSendPageProps): ReactNode {
  const sending = useSending(documents);
  const own = documents.filter((document) => document.currency === currency);
  return (
    <>
      <PageHeading>
        <Title>
          <Amount of={sumOf(own, signed)} currency={currency} />{" "}
          <small>
            in {documents.length} {documents.length === 1 ? "document" : "documents"} to send
            {own.length < documents.length
              ? `, ${documents.length - own.length} of them in other currencies and not in the sum`
              : ""}
          </small>
        </Title>
        <InvoiceTabs here="send" />
        <NewInvoice book={book} />
      </PageHeading>
      {documents.length > 0 ? <Acts sending={sending} book={book} /> : null}
      <LedgerList<ToSend>
        label="To send"
        rows={documents}
        idOf={({ id }) => id}
        href={({ itemId }) => `/b/${book}/invoices/${itemId}`}
        columns={columnsOf({ sending, today })}
        empty={
          <>
            <p>Nothing is to be sent.</p>
            <p>
              What is approved comes here, by the way that its customer wants it.{" "}
              <NextLink href={`/b/${book}/invoices?state=drafts`}>Drafts</NextLink>
            </p>
          </>
        }
      />
    </>
  );
}

const signed = ({ kind, total }: ToSend): number => (kind === "invoice" ? total : -total);

type Sending = ReturnType<typeof useSending>;

function useSending(documents: readonly ToSend[]) {
  const { act, busy } = useActing();
  const [looking, setLooking] = useState<"mail" | "paper" | null>(null);
  const { chosen: out, toggle } = useChosen(() => setLooking(null));
  const chosen = documents.filter(({ id }) => !out.has(id));
  const mailed = chosen.filter(({ way, problem }) => way === "mail" && problem === null);
  const printed = chosen.filter(({ way }) => way === "paper");
  const send = (): void => {
    if (mailed.length === 0) return;
    if (looking !== "mail") return setLooking("mail");
    void act<{ sent: number; refused: { why: string }[] }>(
      "sendDocuments",
      { ids: mailed.map(({ id }) => id) },
      ({ sent, refused }) => ({
        words: `${sent} sent${refused[0] ? `; ${refused.length} not: ${refused[0].why}` : ""}.`,
        final: "A letter that left cannot be taken back.",
      }),
    ).then(() => setLooking(null));
  };
  const print = (): void => {
    if (printed.length === 0) return;
    if (looking !== "paper") return setLooking("paper");
    void act<{ printed: number }>(
      "markPrinted",
      { ids: printed.map(({ id }) => id) },
      ({ printed: count }) => ({
        words: `${count} went out on paper.`,
        final: "What went out on paper cannot be taken back.",
      }),
    ).then(() => setLooking(null));
  };
  useHotkeys("s", send, { ignoreEventWhen: inDialog, enableOnFormTags: ["input"] }, [send]);
  useHotkeys("p", print, { ignoreEventWhen: inDialog, enableOnFormTags: ["input"] }, [print]);
  useHotkeys("escape", () => setLooking(null), { ignoreEventWhen: inDialog }, []);
  return { out, toggle, chosen, mailed, printed, looking, setLooking, send, print, busy };
}

/** What is done with the chosen ones, each after a look. */
function Acts({ sending, book }: { sending: Sending; book: string }): ReactNode {
  const { mailed, printed, chosen, looking, send, print, busy } = sending;
  const file = (documents: readonly ToSend[], format: string): string =>
    `/api/v1/b/${book}/documents?format=${format}&ids=${documents.map(({ id }) => id).join(",")}`;
  return (
    <p>
      {looking === "mail" ? <b data-strong>{mailed.length} go to their customers now. </b> : null}
      <Act
        main={looking !== "paper"}
        hint="S"
        disabled={busy || mailed.length === 0}
        onClick={send}
      >
        {looking === "mail" ? "Send them" : `Send ${mailed.length} by mail …`}
      </Act>{" "}
      {looking === "paper" ? (
        <>
          <a href={file(printed, "pdf")} target="_blank" rel="noreferrer">
            The {printed.length} as one PDF
          </a>{" "}
        </>
      ) : null}
      <Act hint="P" disabled={busy || printed.length === 0} onClick={print}>
        {looking === "paper" ? "They are printed" : `Print ${printed.length} …`}
      </Act>{" "}
      {chosen.length > 0 ? (
        <a data-tone="soft" href={file(chosen, "zip")}>
          all {chosen.length} as ZIP
        </a>
      ) : null}
    </p>
  );
}

const WAYS = { mail: "by mail", paper: "on paper", none: "not at all" } as const;

const columnsOf = ({
  sending,
  today,
}: {
  sending: Sending;
  today: BookFacts["today"];
}): ListColumn<ToSend>[] => [
  {
    id: "chosen",
    header: "Chosen",
    box: true,
    width: "4%",
    cell: ({ id, number }) => (
      <Tick
        aria-label={`Choose ${number}`}
        checked={!sending.out.has(id)}
        onClick={(event) => event.stopPropagation()}
        onChange={() => sending.toggle(id)}
      />
    ),
  },
  { id: "number", narrow: "more", header: "Number", width: "13%", cell: ({ number }) => number },
  {
    id: "customer",
    narrow: "who",
    header: "Customer",
    width: "25%",
    cell: ({ customer }) => <span title={customer}>{customer}</span>,
  },
  {
    id: "way",
    narrow: "state",
    header: "Way",
    width: "30%",
    cell: ({ way, to, problem }) => (
      <span data-tone={problem === null ? "soft" : "off"} title={problem ?? to ?? ""}>
        {problem === null ? `${WAYS[way]}${to === null ? "" : ` to ${to}`}` : `✕ ${problem}`}
      </span>
    ),
  },
  {
    id: "issued",
    header: "Dated",
    width: "12%",
    cell: ({ issuedOn }) => formatDay(issuedOn, today),
  },
  {
    id: "total",
    narrow: "sum",
    header: "Total",
    width: "16%",
    number: true,
    cell: (document) => <Amount of={signed(document)} currency={document.currency} />,
  },
];
