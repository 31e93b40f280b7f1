"use client";

import { Box, chakra, Textarea } from "@chakra-ui/react";
import NextLink from "next/link";
import { type Dispatch, type ReactNode, type SetStateAction, useState } from "react";

import type { RunLetter } from "@/contracts/overdue";

import { Amount } from "../kit/Amount";
import { Act } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { ActRow, WorkingsGrid } from "../kit/layout";
import { useRowKeys } from "../kit/lists/opening";

export type Words = { subject: string; body: string };
/** One letter, looked at: its words can be changed; it can be taken out, with a reason. */
export function Looking({
  row,
  book,
  words,
  change,
  why,
  take,
  next,
}: {
  row: RunLetter;
  book: string;
  words: Words;
  change: (words: Words) => void;
  why: string | null;
  take: (why: string | null) => void;
  next: () => void;
}): ReactNode {
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState("");
  useRowKeys("x", () => {
    if (why === null) setAsking(true);
    else take(null);
  });
  return (
    <WorkingsGrid parts="two">
      <Box>
        <LetterFacts row={row} />
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
function LetterFacts({ row }: { row: RunLetter }): ReactNode {
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
          ; a fee of <Amount of={row.fee} currency={row.feeCurrency} /> is named in it
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
