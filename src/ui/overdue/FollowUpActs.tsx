"use client";

import { Box, chakra } from "@chakra-ui/react";
import NextLink from "next/link";
import { type Dispatch, type ReactNode, type SetStateAction, useState } from "react";

import type { FollowUpWorkings, OverdueLine } from "@/contracts/overdue";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount, type Minor } from "@/core/money";

import { Act } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ActRow } from "../kit/layout";
import { Cell, DetailTable, NoneRow } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { type FollowUpMain, mainInWords } from "./followUpMain";

type OfferShown = {
  why: "usual" | "large" | "broken" | "new";
  parts: readonly { dueOn: Day; sum: Minor }[];
} | null;
export type FollowUpMode = "looking" | "letter" | "sure" | "call" | "leave_out";
export type Props = { row: OverdueLine; currency: Currency; today: Day; done: () => void };
type FollowUpActsProps = {
  main: FollowUpMain;
  doMain: () => void;
  row: Props["row"];
  setDoing: Dispatch<SetStateAction<FollowUpMode>>;
};
/** What can be done for a customer, its next step first: that is what Enter does. */
export function FollowUpActs({ main, doMain, row, setDoing }: FollowUpActsProps): ReactNode {
  const { book, busy } = useActing();
  return (
    <ActRow>
      <Act main hint="Enter" onClick={doMain} disabled={busy || main === "nothing"}>
        {mainInWords(main, row.act)}
      </Act>
      {main === "call" || main === "done" ? (
        <Act hint="L" onClick={() => setDoing("letter")}>
          Write instead
        </Act>
      ) : null}
      {main === "call" ? null : (
        <Act hint="C" onClick={() => setDoing("call")}>
          Log a call
        </Act>
      )}
      <Act hint="X" onClick={() => setDoing("leave_out")}>
        {row.leftOut ? "Take in again" : "Leave out"}
      </Act>
      <NextLink href={`/b/${book}/customers/${row.id}`}>Customer</NextLink>
    </ActRow>
  );
}
/** Notes that the task, or the stop of supply, that the ladder asks for is done. */
export function useTaskDone(row: OverdueLine): () => void {
  const { act, busy } = useActing();
  const words = row.act === "stop" ? "supply is stopped" : "the task is done";
  return () => {
    if (busy || row.state !== "ready") return;
    void act<{ actId: number }>(
      "logContact",
      { customerId: row.id, kind: "note", text: words, done: true },
      (value) => ({ words: `Noted: ${words}.`, undo: value.actId }),
    );
  };
}
type FollowUpHistoryProps = {
  currency: Props["currency"];
  today: Props["today"];
  workings: FollowUpWorkings;
};
export function FollowUpHistory({ currency, today, workings }: FollowUpHistoryProps): ReactNode {
  return (
    <Box>
      <Subheading>
        {workings.habit}
        {workings.kept + workings.broken > 0 ? (
          <span data-tone="soft">
            , kept {workings.kept} of {workings.kept + workings.broken} promises
          </span>
        ) : null}
      </Subheading>
      <chakra.p margin="2px 0">
        {workings.callee ? `${workings.callee}, ` : ""}
        {workings.phone === null ? (
          <span data-tone="soft">No telephone number</span>
        ) : (
          <a href={`tel:${workings.phone.replace(/[^+\d]/g, "")}`}>{workings.phone}</a>
        )}
        {workings.offer ? (
          <span data-tone="soft">. {offerInWords(workings.offer, currency, today)}</span>
        ) : null}
      </chakra.p>
      <DetailTable>
        <tbody>
          {workings.history.map((line, at) => (
            <tr key={`${line.on} ${at}`}>
              <Cell data-tone="soft" width="110px">
                {formatDay(line.on, today)}
              </Cell>
              <td title={line.words}>{line.words}</td>
            </tr>
          ))}
          <NoneRow of={workings.history}>Nothing was said yet.</NoneRow>
        </tbody>
      </DetailTable>
    </Box>
  );
}
/** What to offer on the telephone, in words. */
function offerInWords(
  { why, parts }: NonNullable<OfferShown>,
  currency: Currency,
  today: Day,
): string {
  const said = parts
    .map(({ dueOn, sum }) => `${formatAmount(sum, currency)} by ${formatDay(dueOn, today)}`)
    .join(", ");
  const because = {
    broken: "A promise was broken. Ask for",
    large: "That is much for this customer. Offer parts:",
    usual: "Ask for",
    new: "Has not paid anything yet. Ask for",
  }[why];
  return `${because} ${said}.`;
}
export function LeaveOut({ row, close }: { row: OverdueLine; close: () => void }): ReactNode {
  const { act } = useActing();
  const [reason, setReason] = useState("");
  const set = (): void =>
    void act("leaveOut", { customerId: row.id, reason: row.leftOut ? null : reason }, () => ({
      words: row.leftOut ? `${row.name} is in follow-up again.` : `${row.name} is left out.`,
    })).then(() => close());
  return (
    <ActRow
      as="form"
      onSubmit={(event) => {
        event.preventDefault();
        set();
      }}
    >
      {row.leftOut ? (
        <span>Take {row.name} into follow-up again?</span>
      ) : (
        <LineField
          kind="words"
          width="260px"
          autoFocus
          aria-label="Why"
          placeholder="Why no reminders go"
          value={reason}
          onChange={(event) => setReason(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === "Escape") close();
          }}
        />
      )}
      <Act main type="submit" disabled={!row.leftOut && reason.trim() === ""}>
        {row.leftOut ? "Take in" : "Leave out"}
      </Act>
      <Act hint="Esc" onClick={close}>
        Back
      </Act>
    </ActRow>
  );
}
