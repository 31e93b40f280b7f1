"use client";

import { Box, chakra, Textarea } from "@chakra-ui/react";
import NextLink from "next/link";
import { type Dispatch, type ReactNode, type SetStateAction, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { RunLetter } from "@/contracts/overdue";
import type { Day } from "@/core/calendar";
import { type Currency, formatAmount, type Minor, sumOf } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { Act } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { HeadingEnd, PageHeading, Subheading, Title } from "../kit/headings";
import { ActRow, Halves, Section, WorkingsGrid } from "../kit/layout";
import { LedgerList } from "../kit/lists/LedgerList";
import type { ListColumn } from "../kit/lists/columns";
import { useOpenRow } from "../kit/lists/useOpenRow";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { OverdueTabs } from "./OverdueTabs";
import { type BackAddress, ReturnedLetters } from "./ReturnedLetters";

type Props = {
  book: string;
  currency: Currency;
  letters: RunLetter[];
  count: number;
  page: number;
  pageRows: number;
  going: { customerId: number; sum: Minor }[];
  others: { customerId: number; name: string; act: string; sum: Minor }[];
  held: { why: string; count: number; sum: Minor }[];
  today: Day;
  back: BackAddress[];
};
type Words = { subject: string; body: string };

/**
 * The letters of today, prepared: looked through one after the other, changed, taken out with a
 * reason, and sent together after a second step.
 */
export function LettersPage({
  book,
  currency,
  letters,
  count,
  page,
  pageRows,
  going: all,
  others,
  held,
  today,
  back,
}: Props): ReactNode {
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
      { letters: said },
      (value) => ({
        words: `${value.sent} ${value.sent === 1 ? "letter goes" : "letters go"} to the outbox${value.held.length > 0 ? `; ${value.held.length} held: ${value.held[0]?.customer ?? ""} ${value.held[0]?.why ?? ""}` : ""}.`,
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
  return (
    <>
      <PageHeading>
        <Title>
          <Amount of={sumOf(going, ({ sum }) => sum)} currency={currency} />{" "}
          <small>
            asked for in {going.length} {going.length === 1 ? "letter" : "letters"} today
          </small>
        </Title>
        <SendActs asking={asking} far={far} going={going} send={send} setAsking={setAsking} />
      </PageHeading>
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
        columns={letterColumns({ changed, count, currency, going, out })}
        workings={(row) => (
          <Looking
            key={row.customerId}
            row={row}
            book={book}
            currency={currency}
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

type SendActsProps = {
  asking: boolean;
  far: { done: number; of: number } | null;
  going: { customerId: number; sum: Minor }[];
  send: () => void;
  setAsking: Dispatch<SetStateAction<boolean>>;
};

function SendActs({ asking, far, going, send, setAsking }: SendActsProps): ReactNode {
  const { busy } = useActing();
  return (
    <HeadingEnd>
      {asking ? (
        <>
          <span>They leave the house now.</span>
          <Act main hint="Enter" onClick={send} disabled={busy}>
            Send these {going.length}
          </Act>
          <Act hint="Esc" onClick={() => setAsking(false)}>
            Not yet
          </Act>
        </>
      ) : far ? (
        <span>
          {far.done} of {far.of} …
        </span>
      ) : (
        <Act main hint="S" onClick={() => setAsking(true)} disabled={busy || going.length === 0}>
          Send {going.length}
        </Act>
      )}
    </HeadingEnd>
  );
}

type LetterColumnsProps = {
  changed: ReadonlyMap<number, Words>;
  count: Props["count"];
  currency: Props["currency"];
  going: { customerId: number; sum: Minor }[];
  out: ReadonlyMap<number, string>;
};

function letterColumns({
  changed,
  count,
  currency,
  going,
  out,
}: LetterColumnsProps): ListColumn<RunLetter>[] {
  return [
    {
      id: "customer",
      header: "Customer",
      width: "24%",
      cell: (row) => (
        <span data-tone={out.has(row.customerId) ? "soft" : undefined} title={row.name}>
          {out.has(row.customerId) ? <s>{row.name}</s> : row.name}
        </span>
      ),
      foot: `${count} prepared, ${count - going.length} not going`,
    },
    { id: "step", header: "Says", width: "14%", cell: (row) => row.step },
    { id: "ladder", header: "Ladder", width: "11%", cell: (row) => row.ladder },
    {
      id: "subject",
      header: "Subject",
      width: "31%",
      cell: (row) => {
        const subject = changed.get(row.customerId)?.subject ?? row.subject;
        return <span title={subject}>{subject}</span>;
      },
    },
    {
      id: "with",
      header: "With it",
      width: "10%",
      cell: (row) => ({ none: "–", statement: "statement", invoices: "all papers" })[row.attach],
    },
    {
      id: "sum",
      header: "Sum",
      width: "10%",
      number: true,
      cell: (row) =>
        row.problem !== null ? (
          <span data-tone="off" title={row.problem}>
            {row.problem.startsWith("no") ? "no address" : "came back"}
          </span>
        ) : (
          <Amount of={row.sum} currency={currency} />
        ),
      foot: (
        <Total>
          {formatAmount(
            sumOf(going, ({ sum }) => sum),
            currency,
          )}
        </Total>
      ),
    },
  ];
}

type BesideLettersProps = {
  back: Props["back"];
  book: Props["book"];
  currency: Props["currency"];
  held: Props["held"];
  others: Props["others"];
  today: Props["today"];
};

function BesideLetters({
  back,
  book,
  currency,
  held,
  others,
  today,
}: BesideLettersProps): ReactNode {
  return (
    <Halves flex="0 1 auto" minHeight="132px" maxHeight="210px" ratio="thirds">
      <Section>
        <Subheading>
          By another way than a letter <span data-tone="soft">{others.length}</span>
        </Subheading>
        <DetailTable aria-label="Calls and tasks">
          <tbody>
            {others.slice(0, 12).map((other) => (
              <tr key={other.customerId}>
                <td>
                  <NextLink href={`/b/${book}/overdue?open=${other.customerId}`} prefetch={false}>
                    {other.name}
                  </NextLink>
                </td>
                <td data-tone="soft">{other.act}</td>
                <td data-numeric>
                  <Amount of={other.sum} currency={currency} />
                </td>
              </tr>
            ))}
            {others.length === 0 ? (
              <tr>
                <td data-tone="soft">None today.</td>
              </tr>
            ) : null}
          </tbody>
        </DetailTable>
      </Section>
      <Section>
        <Subheading>Held back, and why</Subheading>
        <DetailTable aria-label="Held back">
          <tbody>
            {held.map((entry) => (
              <tr key={entry.why}>
                <td data-tone="waits">{entry.why}</td>
                <td data-tone="soft">{entry.count}</td>
                <td data-numeric>
                  <Amount of={entry.sum} currency={currency} />
                </td>
              </tr>
            ))}
            {held.length === 0 ? (
              <tr>
                <td data-tone="soft">Nobody.</td>
              </tr>
            ) : null}
          </tbody>
        </DetailTable>
      </Section>
      <ReturnedLetters book={book} back={back} today={today} />
    </Halves>
  );
}

/** One letter, looked at: its words can be changed; it can be taken out, with a reason. */
function Looking({
  row,
  book,
  currency,
  words,
  change,
  why,
  take,
  next,
}: {
  row: RunLetter;
  book: string;
  currency: Currency;
  words: Words;
  change: (words: Words) => void;
  why: string | null;
  take: (why: string | null) => void;
  next: () => void;
}): ReactNode {
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState("");
  useHotkeys(
    "x",
    () => {
      if (why === null) setAsking(true);
      else take(null);
    },
    { preventDefault: true },
    [why],
  );
  return (
    <WorkingsGrid parts="two">
      <Box>
        <LetterFacts currency={currency} row={row} />
        <LineField
          kind="words"
          width="100%"
          aria-label="Subject"
          value={words.subject}
          onChange={(event) => change({ ...words, subject: event.target.value })}
        />
        <Textarea
          aria-label="Letter"
          value={words.body}
          onChange={(event) => change({ ...words, body: event.target.value })}
          rows={11}
          fontFamily="mono"
          fontSize="13px"
          bg="sheet"
          borderColor="rule"
          borderRadius="4px"
          mt="2"
        />
      </Box>
      <Box>
        {asking ? (
          <TakeOutForm
            next={next}
            reason={reason}
            setAsking={setAsking}
            setReason={setReason}
            take={take}
          />
        ) : (
          <ActRow>
            {why === null ? (
              <Act hint="X" onClick={() => setAsking(true)}>
                Take it out
              </Act>
            ) : (
              <Act hint="X" onClick={() => take(null)}>
                Put it back
              </Act>
            )}
            <NextLink href={`/b/${book}/overdue?open=${row.customerId}`} prefetch={false}>
              What was said before
            </NextLink>
          </ActRow>
        )}
        {why === null ? null : (
          <p data-tone="waits">Does not go today: {why}. That is noted when the others are sent.</p>
        )}
      </Box>
    </WorkingsGrid>
  );
}

type LetterFactsProps = {
  currency: Currency;
  row: RunLetter;
};

function LetterFacts({ currency, row }: LetterFactsProps): ReactNode {
  return (
    <chakra.p data-tone="soft" margin="4px 0">
      To{" "}
      {row.problem === null ? (
        `${row.to ?? ""}${row.copies === "" ? "" : `, a copy to ${row.copies}`}`
      ) : (
        <span data-tone="off">{row.problem}</span>
      )}
      . {row.items} {row.items === 1 ? "invoice" : "invoices"}, the oldest {row.oldestDays} days
      {row.fee === 0 ? (
        ""
      ) : (
        <>
          ; a fee of <Amount of={row.fee} currency={currency} /> is named in it
        </>
      )}
      {row.byItself ? "; may go by itself" : ""}.
    </chakra.p>
  );
}

type TakeOutFormProps = {
  next: () => void;
  reason: string;
  setAsking: Dispatch<SetStateAction<boolean>>;
  setReason: Dispatch<SetStateAction<string>>;
  take: (why: string | null) => void;
};

function TakeOutForm({ next, reason, setAsking, setReason, take }: TakeOutFormProps): ReactNode {
  return (
    <ActRow
      as="form"
      onSubmit={(event) => {
        event.preventDefault();
        take(reason);
        setAsking(false);
        next();
      }}
    >
      <LineField
        kind="words"
        width="230px"
        autoFocus
        aria-label="Why it does not go"
        placeholder="Why it does not go today"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Escape") setAsking(false);
        }}
      />
      <Act main type="submit" disabled={reason.trim() === ""}>
        Take out
      </Act>
    </ActRow>
  );
}
