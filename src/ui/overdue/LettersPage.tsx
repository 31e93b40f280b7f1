"use client";

import NextLink from "next/link";
import { type ReactNode, useState } from "react";

import type { RunLetter } from "@/contracts/overdue";
import { sumOf } from "@/core/money";

import { Amount } from "../kit/Amount";
import { HeadingEnd, PageHeading, Title } from "../kit/headings";
import { ListFiles } from "../kit/lists/ListFiles";
import { LedgerList } from "../kit/lists/LedgerList";
import { useOpenRow } from "../kit/lists/useOpenRow";
import { LastLook } from "../shell/LastLook";
import { useActing } from "../shell/Notices";
import { FilesWaiting, LeavingForGood } from "./FilesWaiting";
import { letterColumns } from "./letterColumns";
import { Looking, type Words } from "./LetterLook";
import { BesideLetters, type Props } from "./LettersBeside";
import { OverdueTabs } from "./OverdueTabs";

/**
 * The letters of today, prepared: looked through one after the other, changed, taken out with a
 * reason, and sent together after a second step.
 */
export function LettersPage(props: Props): ReactNode {
  const { book, currency, letters, count, page, pageRows, others, held, today, back } = props;
  const { open, setOpen, changed, setChanged, out, far, going, send, take } = useLetterRun(props);
  return (
    <>
      <PageHeading>
        <Title>
          <Amount of={sumOf(going, ({ sum }) => sum)} currency={currency} />{" "}
          <small>
            asked for in {going.length} {going.length === 1 ? "letter" : "letters"} today
          </small>
        </Title>
        <HeadingEnd>
          <ListFiles book={book} list="letters" />
          <SendActs
            far={far}
            count={going.length}
            send={send}
            waiting={props.filesWaiting.length}
          />
        </HeadingEnd>
      </PageHeading>
      <FilesWaiting book={book} names={props.filesWaiting} />
      {props.chosen === null ? null : (
        <p data-tone="waits">
          Only of the customers that were chosen: {props.chosen} of them{" "}
          {props.chosen === 1 ? "is" : "are"} past a due day.{" "}
          <NextLink href={`/b/${book}/overdue?show=run`}>All letters of today</NextLink>
        </p>
      )}
      <OverdueTabs at="run" />
      <LedgerList<RunLetter>
        label="Letters of today"
        rows={letters}
        count={count}
        page={page}
        pageRows={pageRows}
        idOf={(row) => row.customerId}
        openId={open}
        onOpen={setOpen}
        wantsLook={() => true}
        columns={letterColumns({ changed, count, currency, going, out })}
        workings={(row) => (
          <Looking
            key={row.customerId}
            row={row}
            book={book}
            words={changed.get(row.customerId) ?? row}
            change={(words) => setChanged(new Map(changed).set(row.customerId, words))}
            why={out.get(row.customerId) ?? null}
            take={(why) => take(row.customerId, why)}
            next={() => {
              const at = letters.findIndex((letter) => letter.customerId === row.customerId);
              setOpen(letters[at + 1]?.customerId ?? null);
            }}
          />
        )}
        empty={
          <>
            <p data-tone="good">✓ No letter is due today.</p>
            <p>
              Who is late and what they wait for stands under{" "}
              <NextLink href="?">Who is late</NextLink>.
            </p>
          </>
        }
      />
      <BesideLetters
        back={back}
        perhaps={props.perhaps}
        book={book}
        currency={currency}
        held={held}
        others={others}
        today={today}
      />
    </>
  );
}

function useLetterRun({ going: all, filesWaiting }: Props) {
  const { act, busy } = useActing();
  const [open, setOpen] = useOpenRow();
  const [changed, setChanged] = useState<ReadonlyMap<number, Words>>(new Map());
  const [out, setOut] = useState<ReadonlyMap<number, string>>(new Map());
  const [far, setFar] = useState<{ done: number; of: number } | null>(null);
  const going = all.filter(({ customerId }) => !out.has(customerId));
  const send = (): void => {
    if (busy || going.length === 0) return;
    // What was not changed is written when it goes, from what is open then.
    const said = going.map(({ customerId }) => ({ customerId, ...changed.get(customerId) }));
    void act<{ sent: number; held: { customer: string; why: string }[] }>(
      "sendLetters",
      { letters: said, despiteFiles: filesWaiting },
      (value) => ({
        words: `${value.sent} ${value.sent === 1 ? "letter goes" : "letters go"} to the outbox${value.held.length > 0 ? `; ${value.held.length} held: ${value.held[0]?.customer ?? ""} ${value.held[0]?.why ?? ""}` : ""}.`,
        final: "Letters that left cannot be taken back.",
      }),
      (done, of) => setFar({ done, of }),
    ).then(() => setFar(null));
    for (const [customerId, why] of out)
      if (why !== "")
        void act(
          "logContact",
          { customerId, kind: "note", text: `not written to today: ${why}` },
          () => ({ words: "Noted." }),
        );
  };
  const take = (id: number, why: string | null): void => {
    const next = new Map(out);
    if (why === null) next.delete(id);
    else next.set(id, why);
    setOut(next);
  };
  return { open, setOpen, changed, setChanged, out, far, going, send, take };
}
type SendActsProps = {
  far: { done: number; of: number } | null;
  /** How many letters go, and how many files wait in Arrivals. */
  count: number;
  waiting: number;
  send: () => void;
};

/** Sends the letters after a last look; while they go, how far they are. */
function SendActs({ far, count, waiting, send }: SendActsProps): ReactNode {
  if (far)
    return (
      <span>
        {far.done} of {far.of} …
      </span>
    );
  return (
    <LastLook
      hint="S"
      ask={`Send ${count}`}
      go={`${waiting > 0 ? "Send all the same:" : "Send these"} ${count}`}
      words={<LeavingForGood waiting={waiting} />}
      onGo={send}
      disabled={count === 0}
    />
  );
}
