"use client";

import NextLink from "next/link";
import { type Dispatch, type ReactNode, type SetStateAction, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { RunLetter } from "@/contracts/overdue";
import { type Minor, sumOf } from "@/core/money";

import { Amount } from "../kit/Amount";
import { Act } from "../kit/buttons";
import { HeadingEnd, PageHeading, Title } from "../kit/headings";
import { ListFiles } from "../kit/lists/ListFiles";
import { LedgerList } from "../kit/lists/LedgerList";
import { useOpenRow } from "../kit/lists/useOpenRow";
import { useActing } from "../shell/Notices";
import { FilesWaiting } from "./FilesWaiting";
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
  const { open, setOpen, changed, setChanged, out, asking, setAsking, far, going, send, take } =
    useLetterRun(props);
  return (
    <>
      <PageHeading>
        <Title>
          <Amount of={sumOf(going, ({ sum }) => sum)} currency={currency} />{" "}
          <small>
            asked for in {going.length} {going.length === 1 ? "letter" : "letters"} today
          </small>
        </Title>
        <ListFiles book={book} list="letters" />
        <SendActs
          asking={asking}
          far={far}
          going={going}
          send={send}
          setAsking={setAsking}
          waiting={props.filesWaiting.length}
        />
      </PageHeading>
      <FilesWaiting book={book} names={props.filesWaiting} />
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
  const [asking, setAsking] = useState(false);
  const [far, setFar] = useState<{ done: number; of: number } | null>(null);
  const going = all.filter(({ customerId }) => !out.has(customerId));
  const send = (): void => {
    if (busy || going.length === 0) return;
    setAsking(false);
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
  useHotkeys("s", () => setAsking(going.length > 0), { preventDefault: true }, [going.length]);
  useHotkeys("enter", send, { enabled: asking, preventDefault: true }, [send]);
  useHotkeys("escape", () => setAsking(false), { enabled: asking });
  const take = (id: number, why: string | null): void => {
    const next = new Map(out);
    if (why === null) next.delete(id);
    else next.set(id, why);
    setOut(next);
  };
  return { open, setOpen, changed, setChanged, out, asking, setAsking, far, going, send, take };
}
type SendActsProps = {
  asking: boolean;
  far: { done: number; of: number } | null;
  going: { customerId: number; sum: Minor }[];
  send: () => void;
  setAsking: Dispatch<SetStateAction<boolean>>;
  /** How many files wait in Arrivals. */
  waiting: number;
};
function SendActs(props: SendActsProps): ReactNode {
  const { busy } = useActing();
  return (
    <HeadingEnd>
      <AskOrProgress busy={busy} {...props} />
    </HeadingEnd>
  );
}

type AskOrProgressProps = SendActsProps & { busy: boolean };
function AskOrProgress({
  asking,
  busy,
  far,
  going,
  send,
  setAsking,
  waiting,
}: AskOrProgressProps): ReactNode {
  if (asking)
    return (
      <>
        <span data-tone={waiting > 0 ? "waits" : undefined}>
          {waiting > 0
            ? "They leave the house before those files are read, for good."
            : "They leave the house now, for good."}
        </span>
        <Act main hint="Enter" onClick={send} disabled={busy}>
          {waiting > 0 ? "Send all the same:" : "Send these"} {going.length}
        </Act>
        <Act hint="Esc" onClick={() => setAsking(false)}>
          Not yet
        </Act>
      </>
    );
  if (far)
    return (
      <span>
        {far.done} of {far.of} …
      </span>
    );
  return (
    <Act main hint="S" onClick={() => setAsking(true)} disabled={busy || going.length === 0}>
      Send {going.length}
    </Act>
  );
}
