"use client";

import { Box } from "@chakra-ui/react";
import { type ReactNode, useEffect, useState } from "react";

import type { MatchRow, MatchWorkings } from "@/contracts/match";
import { type Currency, formatAmount } from "@/core/money";

import { Act } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { useRowKeys } from "../kit/lists/opening";
import { ActRow, WorkingsGrid } from "../kit/layout";
import { useActing } from "../shell/Notices";
import { Reading } from "../kit/Reading";
import { load } from "../shell/send";

/** A write-off over the limit, before the second person. */
export function ApprovalWorkings({
  row,
  currency,
  done,
}: {
  row: MatchRow;
  currency: Currency;
  done: () => void;
}): ReactNode {
  const { act, book, busy } = useActing();
  const [workings, setWorkings] = useState<MatchWorkings | null>(null);
  const [why, setWhy] = useState("");
  useEffect(() => {
    void load<MatchWorkings>(`/api/v1/b/${book}/receipts/${row.id}/workings`).then((sent) =>
      setWorkings(sent.ok ? sent.value : null),
    );
  }, [book, row.id]);
  const asked = workings?.asked ?? null;
  const decide = (approve: boolean): void => {
    if (asked === null || busy) return;
    void act<{ actId: number }>(
      "decideWriteOff",
      { approvalId: asked.approvalId, approve, why },
      (value) =>
        approve
          ? {
              words: `${formatAmount(row.amount, currency)} of ${row.from} posted, ${formatAmount(asked.sum, currency)} written off.`,
              undo: value.actId,
            }
          : { words: "Refused: the receipt is to be matched again." },
    ).then((value) => {
      if (value) done();
    });
  };
  useRowKeys("enter", () => decide(true));
  if (asked === null) return <Reading />;
  return (
    <WorkingsGrid parts="two">
      <Box>
        <p>
          <b data-strong>{asked.askedBy}</b> asks to write off{" "}
          <b data-sum>{formatAmount(asked.sum, currency)}</b>: {asked.why}.
        </p>
        <p>It would give {asked.words}.</p>
        <LineField
          kind="words"
          width="300px"
          marginTop="8px"
          aria-label="A word on the decision"
          placeholder="a word on the decision, if you like"
          value={why}
          onChange={(event) => setWhy(event.target.value)}
        />
        <ActRow>
          <Act main hint="Enter" onClick={() => decide(true)} disabled={busy}>
            Approve and post
          </Act>
          <Act onClick={() => decide(false)} disabled={busy}>
            Refuse
          </Act>
          <a href={`/b/${book}/receipts/${row.id}`}>History</a>
        </ActRow>
      </Box>
      <Box>
        <Subheading>Why two</Subheading>
        <p data-tone="soft">
          What is over the book’s limit of {formatAmount(workings?.limit ?? 0, currency)} is given
          up only when somebody other than the one who asked agrees. The header says who is working.
        </p>
      </Box>
    </WorkingsGrid>
  );
}
