"use client";

import NextLink from "next/link";
import { type ReactNode, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { Day } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";
import { sumOf } from "@/core/money";

import { Amount } from "../kit/Amount";
import { Act } from "../kit/buttons";
import { inDialog } from "../kit/keys";
import { useActing } from "../shell/Notices";
import { ScheduleChosen } from "./ScheduleChosen";

/** What of a row of the list is needed to do something with it. */
export type ChosenRow = {
  id: number;
  currency: Currency;
  balance: Minor;
  customerId: number;
  documentId: number | null;
};

type ChosenInvoicesProps = { rows: readonly ChosenRow[]; today: Day; clear: () => void };

/** What the chosen rows come to, and what can be done with them at once. */
export function ChosenInvoices({ rows, today, clear }: ChosenInvoicesProps): ReactNode {
  const { book, act, busy } = useActing();
  // The parts of one invoice are one paper.
  const written = [...new Set(rows.flatMap(({ documentId }) => documentId ?? []))];
  const foreign = rows.filter(({ documentId }) => documentId === null).length;
  const send = (): void => {
    if (written.length === 0) return;
    void act<{ sent: number; refused: { why: string }[] }>(
      "sendDocuments",
      { ids: written, again: true },
      ({ sent, refused }) => ({
        words: `${sent} sent by mail${refused[0] ? `; ${refused.length} not: ${refused[0].why}` : ""}.`,
        final: "A letter that left cannot be taken back.",
      }),
    ).then((done) => {
      if (done) clear();
    });
  };
  const [again, setAgain] = useState(false);
  const late = [
    ...new Set(rows.flatMap(({ balance, customerId }) => (balance > 0 ? customerId : []))),
  ];
  useHotkeys("escape", clear, { ignoreEventWhen: inDialog, enableOnFormTags: ["input"] }, [clear]);
  if (rows.length === 0) return null;
  const file = (format: string): string =>
    `/api/v1/b/${book}/documents?format=${format}&ids=${written.join(",")}`;
  return (
    <>
      <p>
        {rows.length} chosen, <Sums rows={rows} /> open{" · "}
        {written.length > 0 ? (
          <>
            <Act disabled={busy} onClick={send}>
              Send {written.length} by mail once more
            </Act>{" "}
            <a href={file("pdf")} target="_blank" rel="noreferrer">
              Print {written.length}
            </a>
            {" · "}
            <a href={file("zip")}>as ZIP</a>
            {" · "}
          </>
        ) : null}
        {late.length > 0 ? (
          <>
            <NextLink href={`/b/${book}/overdue?show=run&only=${late.join(",")}`}>
              Remind {late.length === 1 ? "its customer" : `${late.length} customers`}
            </NextLink>
            {" · "}
          </>
        ) : null}
        {written.length === 1 && rows.length === 1 ? (
          <>
            <NextLink href={`/b/${book}/schedules/new?document=${written[0]}`}>
              Put on a schedule
            </NextLink>
            {" · "}
          </>
        ) : null}
        {written.length > 1 ? (
          <Act onClick={() => setAgain(!again)}>Put {written.length} on schedules …</Act>
        ) : null}{" "}
        {foreign > 0 ? (
          <span data-tone="soft">
            {foreign} came by a file: their papers are with whoever wrote them
          </span>
        ) : null}{" "}
        <Act hint="Esc" onClick={clear}>
          None
        </Act>
      </p>
      {again && written.length > 1 ? (
        <ScheduleChosen documents={written} today={today} done={clear} />
      ) : null}
    </>
  );
}

/** The sum of each currency by itself. */
function Sums({ rows }: { rows: readonly ChosenRow[] }): ReactNode {
  const currencies = [...new Set(rows.map(({ currency }) => currency))];
  return currencies.map((currency, at) => (
    <span key={currency}>
      {at > 0 ? " + " : ""}
      <Amount
        of={sumOf(
          rows.filter((row) => row.currency === currency),
          ({ balance }) => balance,
        )}
        currency={currency}
      />
      {currencies.length > 1 ? ` ${currency}` : ""}
    </span>
  ));
}
