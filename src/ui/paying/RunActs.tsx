"use client";

import { type ReactNode, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import { filesInWords } from "@/core/followup";

import { Act } from "../kit/buttons";
import { TextField } from "../kit/fields";
import { inDialog } from "../kit/keys";
import { ActRow } from "../kit/layout";
import type { useRun } from "./useRun";

type RunActsProps = {
  run: ReturnType<typeof useRun>;
  canTake: boolean;
  filesWaiting: readonly string[];
};

/** The press that takes what was looked through; who is taken out gets a reason. */
export function RunActs({ run, canTake, filesWaiting }: RunActsProps): ReactNode {
  const { chosen, out, looking, setLooking, busy, take, takeOut } = run;
  const [reason, setReason] = useState("");
  useHotkeys(
    "t",
    () => void take(),
    { ignoreEventWhen: inDialog, enableOnFormTags: ["input"], enabled: canTake && out.size === 0 },
    [take, canTake, out],
  );
  useHotkeys("escape", () => setLooking(false), { ignoreEventWhen: inDialog }, []);
  if (!canTake)
    return <p data-tone="soft">No processor is behind this book: nothing can be taken.</p>;
  if (out.size > 0)
    return (
      <ActRow
        as="form"
        onSubmit={(event) => {
          event.preventDefault();
          if (reason.trim() !== "") void takeOut(reason.trim()).then(() => setReason(""));
        }}
      >
        <TextField
          label={`Why ${out.size === 1 ? "it is" : `${out.size} are`} not taken today`}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
        <Act main type="submit" disabled={reason.trim() === ""}>
          Take {out.size} out of the run
        </Act>
      </ActRow>
    );
  return (
    <p>
      {looking ? (
        <b data-strong>{chosen.length === 1 ? "One is" : `${chosen.length} are`} charged now. </b>
      ) : null}
      {looking && filesWaiting.length > 0 ? (
        <b data-tone="waits">
          {filesInWords(filesWaiting)} wait in Arrivals: whoever paid in them would be charged.{" "}
        </b>
      ) : null}
      <Act main hint="T" disabled={busy || chosen.length === 0} onClick={() => void take()}>
        {looking ? "Take them" : `Take ${chosen.length} …`}
      </Act>{" "}
      {looking ? (
        <Act hint="Esc" onClick={() => setLooking(false)}>
          Not yet
        </Act>
      ) : null}
    </p>
  );
}
