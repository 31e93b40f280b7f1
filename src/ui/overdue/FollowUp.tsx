"use client";

import { Box } from "@chakra-ui/react";
import { type ReactNode, useEffect, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { FollowUpWorkings } from "@/contracts/overdue";

import { onOwnControl } from "../kit/keys";
import { WorkingsGrid } from "../kit/layout";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";
import {
  FollowUpActs,
  FollowUpHistory,
  type FollowUpMode,
  LeaveOut,
  type Props,
} from "./FollowUpActs";
import { Call } from "./FollowUpCall";
import { Letter } from "./FollowUpLetter";
import { Owed } from "./FollowUpOwed";

/** A customer opened: what is owed item by item, what was said, and the letter, looked at before it goes. */
export function FollowUp({ row, currency, today, done }: Props): ReactNode {
  const { book, complain } = useActing();
  const [workings, setWorkings] = useState<FollowUpWorkings | null>(null);
  const [doing, setDoing] = useState<FollowUpMode>("looking");
  useEffect(() => {
    let current = true;
    void load<FollowUpWorkings>(`/api/v1/b/${book}/overdue/${row.id}/letter`).then((sent) => {
      if (current) {
        if (sent.ok) setWorkings(sent.value);
        else complain(sent.message);
      }
    });
    return () => {
      current = false;
    };
  }, [book, complain, row.id, row.state]);
  const held = row.waits.length > 0 || row.state !== "ready";
  useHotkeys(
    "enter",
    () => {
      if (doing === "looking" && !held) setDoing("letter");
    },
    { ignoreEventWhen: onOwnControl, preventDefault: true },
    [doing, held],
  );
  useHotkeys("c", () => setDoing("call"), { preventDefault: true });
  useHotkeys("x", () => setDoing("leave_out"), { preventDefault: true });
  if (!workings) return <p data-tone="soft">Reading …</p>;
  return (
    <WorkingsGrid parts="two">
      <Box>
        {doing === "letter" || doing === "sure" ? (
          <Letter workings={workings} row={row} back={() => setDoing("looking")} done={done} />
        ) : (
          <Owed workings={workings} currency={currency} today={today} />
        )}
        {doing === "call" ? (
          <Call
            row={row}
            currency={currency}
            today={today}
            workings={workings}
            close={() => setDoing("looking")}
          />
        ) : null}
        {doing === "leave_out" ? <LeaveOut row={row} close={() => setDoing("looking")} /> : null}
        {doing === "looking" ? (
          <FollowUpActs held={held} row={row} setDoing={setDoing} workings={workings} />
        ) : null}
        {doing === "looking" ? <p data-tone={held ? "waits" : "soft"}>{workings.why}</p> : null}
      </Box>
      <FollowUpHistory currency={currency} today={today} workings={workings} />
    </WorkingsGrid>
  );
}
