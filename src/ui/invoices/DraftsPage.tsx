"use client";

import NextLink from "next/link";
import { type ReactNode, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { DraftListed } from "@/contracts/editor";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";
import { sumOf } from "@/core/money";

import { Amount } from "../kit/Amount";
import { Act } from "../kit/buttons";
import { Tick } from "../kit/fields";
import { PageHeading, Title } from "../kit/headings";
import { inDialog } from "../kit/keys";
import { LedgerList } from "../kit/lists/LedgerList";
import type { ListColumn } from "../kit/lists/columns";
import { useChosen } from "../kit/lists/useChosen";
import { useActing } from "../shell/Notices";
import { InvoiceTabs, NewInvoice } from "./InvoiceTabs";

type DraftsPageProps = BookFacts & { drafts: DraftListed[] };

/** What is written and not approved yet; several are approved together after a look at their sum. */
export function DraftsPage({ drafts, book, currency, today }: DraftsPageProps): ReactNode {
  const { chosen, toggle, approve, join, looking, setLooking, busy } = useApproving(drafts);
  const own = drafts.filter((draft) => draft.currency === currency);
  const others = drafts.length - own.length;
  const all = sumOf(own, signed);
  const chosenSum = sumOf(
    own.filter(({ id }) => chosen.has(id)),
    signed,
  );
  return (
    <>
      <PageHeading>
        <Title>
          <Amount of={all} currency={currency} />{" "}
          <small>
            in {drafts.length} {drafts.length === 1 ? "draft" : "drafts"}
            {others > 0 ? `, ${others} of them in other currencies and not in the sum` : ""}
          </small>
        </Title>
        <InvoiceTabs here="drafts" />
        <NextLink href={`/b/${book}/approvals`}>what waits for a second person</NextLink>
        <NewInvoice book={book} />
      </PageHeading>
      {chosen.size > 0 ? (
        <p>
          {chosen.size} chosen, <Amount of={chosenSum} currency={currency} />{" "}
          {looking ? (
            <>
              <b data-strong>They get their numbers, and do not change after that.</b>{" "}
              <Act main hint="A" disabled={busy} onClick={approve}>
                Approve them
              </Act>{" "}
              <Act hint="Esc" onClick={() => setLooking(false)}>
                Not yet
              </Act>
            </>
          ) : (
            <>
              <Act main hint="A" disabled={busy} onClick={() => setLooking(true)}>
                Approve …
              </Act>{" "}
              {chosen.size > 1 ? (
                <Act hint="J" disabled={busy} onClick={join}>
                  Make one invoice of them
                </Act>
              ) : null}
            </>
          )}
        </p>
      ) : null}
      <LedgerList<DraftListed>
        label="Drafts"
        rows={drafts}
        idOf={(row) => row.id}
        href={(row) => `/b/${book}/invoices/drafts/${row.id}`}
        columns={draftColumns({ chosen, toggle, today, currency, all })}
        empty={
          <>
            <p>No drafts.</p>
            <p>
              <NextLink href={`/b/${book}/invoices/new`}>Write an invoice</NextLink>, or give a file
              of orders to <kbd>dozo invoice</kbd>.
            </p>
          </>
        }
      />
    </>
  );
}

const signed = ({ kind, total }: DraftListed): number => (kind === "invoice" ? total : -total);

function useApproving(drafts: readonly DraftListed[]) {
  const { act, busy } = useActing();
  const [looking, setLooking] = useState(false);
  const { chosen, toggle, clear } = useChosen(() => setLooking(false));
  const approve = (): void => {
    const ids = drafts.map(({ id }) => id).filter((id) => chosen.has(id));
    void act<{ approved: { number: string }[]; waiting: number }>(
      "approveDocuments",
      { ids },
      ({ approved, waiting }) => ({
        words: `${approved.length} approved${approved[0] ? `, ${approved[0].number}${approved.length > 1 ? ` to ${approved.at(-1)?.number}` : ""}` : ""}${waiting > 0 ? `; ${waiting} wait for somebody else` : ""}.`,
        final: "An approved invoice is corrected by a credit note.",
      }),
    ).then((done) => {
      if (done) clear();
      setLooking(false);
    });
  };
  const join = (): void => {
    if (chosen.size < 2) return;
    void act<{ id: number }>("joinDrafts", { ids: [...chosen] }, () => ({
      words: `${chosen.size} drafts are one now.`,
      final: "The others lie among what was dropped, and can be taken up again.",
    })).then((done) => {
      if (done) clear();
    });
  };
  useHotkeys("j", join, { ignoreEventWhen: inDialog, enableOnFormTags: ["input"] }, [join]);
  useHotkeys(
    "a",
    () => {
      if (chosen.size === 0) return;
      if (looking) approve();
      else setLooking(true);
    },
    // The boxes are the only fields here.
    { ignoreEventWhen: inDialog, enableOnFormTags: ["input"] },
    [chosen, looking],
  );
  useHotkeys("escape", () => setLooking(false), { ignoreEventWhen: inDialog }, []);
  return { chosen, toggle, approve, join, looking, setLooking, busy };
}

type ColumnsProps = {
  chosen: ReadonlySet<number>;
  toggle: (id: number) => void;
  today: BookFacts["today"];
  currency: BookFacts["currency"];
  all: number;
};

function draftColumns({
  chosen,
  toggle,
  today,
  currency,
  all,
}: ColumnsProps): ListColumn<DraftListed>[] {
  return [
    {
      id: "chosen",
      header: "Chosen",
      box: true,
      width: "4%",
      cell: (row) => (
        <Tick
          aria-label={`Choose the draft for ${row.customer}`}
          checked={chosen.has(row.id)}
          onClick={(event) => event.stopPropagation()}
          onChange={() => toggle(row.id)}
        />
      ),
    },
    {
      id: "customer",
      narrow: "who",
      header: "Customer",
      width: "28%",
      cell: (row) => <span title={row.customer}>{row.customer}</span>,
    },
    {
      id: "for",
      header: "For",
      width: "30%",
      cell: (row) => <span title={row.words ?? ""}>{row.words ?? "–"}</span>,
    },
    { id: "po", header: "PO", width: "9%", cell: (row) => row.poNumber ?? "–" },
    {
      id: "issued",
      header: "Dated",
      width: "10%",
      cell: (row) => formatDay(row.issuedOn, today),
    },
    {
      id: "state",
      narrow: "state",
      header: "State",
      width: "9%",
      cell: (row) => (
        <span data-tone={row.stage === "waiting" ? "waits" : "soft"}>
          {row.stage === "waiting" ? "◔ waits" : "draft"}
        </span>
      ),
    },
    {
      id: "total",
      narrow: "sum",
      header: "Total",
      width: "10%",
      number: true,
      cell: (row) => <Amount of={signed(row)} currency={row.currency} />,
      foot: <Amount of={all} currency={currency} />,
    },
  ];
}
