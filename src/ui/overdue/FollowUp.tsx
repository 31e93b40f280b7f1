"use client";

import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { type ReactNode, useEffect, useState } from "react";

import type { FollowUpWorkings } from "@/contracts/overdue";

import { WorkingsGrid } from "../kit/layout";
import { useRowKeys } from "../kit/lists/opening";
import { Reading } from "../kit/Reading";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";
import {
  FollowUpActs,
  FollowUpHistory,
  type FollowUpMode,
  LeaveOut,
  type Props,
  useTaskDone,
} from "./FollowUpActs";
import { Call } from "./FollowUpCall";
import { Letter } from "./FollowUpLetter";
import { followUpMain, type FollowUpMain } from "./followUpMain";
import { Owed } from "./FollowUpOwed";

/** A customer opened: what is owed item by item, what was said, and the letter, looked at before it goes. */
export function FollowUp({ row, currency, today, done }: Props): ReactNode {
  const { book, complain } = useActing();
  const router = useRouter();
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
  const main = followUpMain(row);
  const taskDone = useTaskDone(row);
  const doMain: Record<FollowUpMain, () => void> = {
    letter: () => setDoing("letter"),
    call: () => setDoing("call"),
    done: taskDone,
    address: () => router.push(`/b/${book}/customers/${row.id}`),
    nothing: () => undefined,
  };
  const enabled = doing === "looking";
  useRowKeys("enter", () => doMain[main](), { enabled });
  useRowKeys(
    "l",
    () => {
      if (main === "call" || main === "done") setDoing("letter");
    },
    { enabled },
  );
  useRowKeys("c", () => setDoing("call"));
  useRowKeys("x", () => setDoing("leave_out"));
  if (!workings) return <Reading />;
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
          <FollowUpActs main={main} doMain={doMain[main]} row={row} setDoing={setDoing} />
        ) : null}
        {doing === "looking" ? (
          <p data-tone={main === "nothing" ? "waits" : "soft"}>{workings.why}</p>
        ) : null}
      </Box>
      <FollowUpHistory currency={currency} today={today} workings={workings} />
    </WorkingsGrid>
  );
}
