"use client";

import { type ReactNode, useState } from "react";

import type { MatchRow } from "@/contracts/match";
import { type Currency, formatAmount } from "@/core/money";

import { Act } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { ActRow } from "../kit/layout";
import { useActing } from "../shell/Notices";
import type { Tally, Worked } from "./tally";

export function AsideQuestion({
  row,
  close,
  done,
}: {
  row: MatchRow;
  close: () => void;
  done: () => void;
}): ReactNode {
  const { act } = useActing();
  const [reason, setReason] = useState("");
  const set = (as: "parked" | "income"): void =>
    void act<{ actId: number }>("setAside", { receiptId: row.id, reason, as }, (value) => ({
      words: as === "income" ? "Booked as other income." : "Set aside.",
      undo: value.actId,
    })).then((value) => {
      if (value) {
        close();
        done();
      }
    });
  return (
    <ActRow
      as="form"
      onSubmit={(event) => {
        event.preventDefault();
        set("parked");
      }}
    >
      <LineField
        kind="words"
        width="230px"
        autoFocus
        aria-label="Why it is set aside"
        placeholder="Why it is not ours to apply"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Escape") close();
        }}
      />
      <Act main type="submit" disabled={reason.trim() === ""}>
        Set aside
      </Act>
      <Act onClick={() => set("income")} disabled={reason.trim() === ""}>
        It is other income
      </Act>
      <Act hint="Esc" onClick={close}>
        Back
      </Act>
    </ActRow>
  );
}
/** A write-off over the limit is asked for with a reason; nothing is posted until a second person has looked. */
export function SecondQuestion({
  row,
  tally,
  worked,
  currency,
  close,
  done,
}: {
  row: MatchRow;
  tally: Tally;
  worked: Worked;
  currency: Currency;
  close: () => void;
  done: () => void;
}): ReactNode {
  const { act } = useActing();
  const [why, setWhy] = useState("");
  const ask = (): void =>
    void act<{ actId: number }>(
      "askApproval",
      { receiptId: row.id, customerId: tally.customerId, lines: worked.lines, why },
      (value) => ({
        words: `The write-off of ${formatAmount(worked.overLimit, currency)} waits for a second person.`,
        undo: value.actId,
      }),
    ).then((value) => {
      if (value) {
        close();
        done();
      }
    });
  return (
    <ActRow
      as="form"
      onSubmit={(event) => {
        event.preventDefault();
        ask();
      }}
    >
      <LineField
        kind="words"
        width="250px"
        autoFocus
        aria-label="Why it is written off"
        placeholder={`Why ${formatAmount(worked.overLimit, currency)} is written off`}
        value={why}
        onChange={(event) => setWhy(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Escape") close();
        }}
      />
      <Act main type="submit" disabled={why.trim().length < 3}>
        Ask
      </Act>
      <Act hint="Esc" onClick={close}>
        Back
      </Act>
    </ActRow>
  );
}
