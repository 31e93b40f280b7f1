"use client";

import { Box } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";

import { type Currency, formatAmount, type Minor, parseAmount, toDecimal } from "@/core/money";

import { Act } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ActRow } from "../kit/layout";
import { useActing } from "../shell/Notices";

/** A write-off that waits for a second person. */
export type Waiting = {
  id: number;
  itemId: number;
  number: string;
  sum: Minor;
  currency: Currency;
  why: string;
  askedBy: string;
  actId: number;
};
export type GivingUp = { limit: Minor; people: number; waits: Waiting | null };

/** Gives up what is open of an invoice: at once within the limit, by two people over it. */
type ItemToGiveUp = { id: number; number: string; balance: Minor; currency: Currency };

export function WriteOffQuestion({
  item,
  limit,
  people,
  waits,
}: GivingUp & { item: ItemToGiveUp }): ReactNode {
  const { act, busy, complain } = useActing();
  const [asking, setAsking] = useState(false);
  const [sum, setSum] = useState(toDecimal(item.balance, item.currency));
  const [why, setWhy] = useState("");
  const wanted = parseAmount(sum, ".", item.currency);
  const over = wanted.ok && wanted.value > limit;
  if (waits)
    return (
      <>
        <Subheading>To be written off</Subheading>
        <Decide asked={waits} />
      </>
    );
  if (!asking)
    return (
      <ActRow>
        <Act onClick={() => setAsking(true)}>Give it up …</Act>
      </ActRow>
    );
  const give = (): void => {
    if (!wanted.ok) return complain("That sum cannot be read. Write it like 1234.56.");
    void act<{ actId: number; waits: boolean }>(
      "writeOff",
      { itemId: item.id, sum: wanted.value, why },
      (value) => ({
        words: value.waits
          ? `The write-off of ${formatAmount(wanted.value, item.currency)} waits for a second person.`
          : `${formatAmount(wanted.value, item.currency)} of ${item.number} written off.`,
        undo: value.actId,
      }),
    ).then((value) => {
      if (value) setAsking(false);
    });
  };
  return (
    <>
      <Subheading>Give it up</Subheading>
      <ActRow
        as="form"
        onSubmit={(event) => {
          event.preventDefault();
          give();
        }}
        onKeyDown={(event) => {
          if (event.key === "Escape") setAsking(false);
        }}
      >
        <LineField
          aria-label="Sum that is written off"
          inputMode="decimal"
          value={sum}
          onChange={(event) => setSum(event.target.value)}
        />
        <LineField
          kind="words"
          width="230px"
          autoFocus
          aria-label="Why it is written off"
          placeholder="Why it will not be paid"
          value={why}
          onChange={(event) => setWhy(event.target.value)}
        />
        <Act main type="submit" disabled={busy || why.trim().length < 3}>
          {over ? "Ask a second person" : "Write off"}
        </Act>
        <Act hint="Esc" onClick={() => setAsking(false)}>
          Back
        </Act>
      </ActRow>
      <p data-tone="soft">{limitInWords(over, people, limit, item)}</p>
    </>
  );
}

function limitInWords(over: boolean, people: number, limit: Minor, item: ItemToGiveUp): ReactNode {
  if (over) {
    if (people < 2)
      return "Over the limit it takes two people, and only one works in this book: add one under Set-up.";
    return `Over the limit of ${formatAmount(limit, item.currency)} it takes two people, and is a bad debt.`;
  }
  return `Up to ${formatAmount(limit, item.currency)} one person may, and it is a small difference.`;
}

/** The second person's decision on a debt to be written off. */
export function Decide({ asked }: { asked: Waiting }): ReactNode {
  const { act, busy } = useActing();
  const sum = formatAmount(asked.sum, asked.currency);
  const decide = (approve: boolean): void =>
    void act<{ actId: number }>(
      "decideInvoiceWriteOff",
      { writeOffId: asked.id, approve },
      (value) =>
        approve
          ? { words: `${sum} of ${asked.number} written off.`, undo: value.actId }
          : { words: `Refused: ${asked.number} stays open.` },
    );
  return (
    <Box>
      <p>
        <b data-strong>{asked.askedBy}</b> asks to give up <b data-sum>{sum}</b> of {asked.number}:{" "}
        {asked.why}.
      </p>
      <ActRow>
        <Act main onClick={() => decide(true)} disabled={busy}>
          Approve and post
        </Act>
        <Act onClick={() => decide(false)} disabled={busy}>
          Refuse
        </Act>
        <Act
          onClick={() =>
            void act("undo", { actId: asked.actId }, () => ({ words: "It is asked for no more." }))
          }
          disabled={busy}
        >
          Take it back
        </Act>
      </ActRow>
    </Box>
  );
}
