"use client";

import { type Dispatch, type ReactNode, type SetStateAction, useState } from "react";

import type { FollowUpWorkings, OverdueLine } from "@/contracts/overdue";
import { type Day, formatDay } from "@/core/calendar";
import type { Offer } from "@/core/followup";
import { type Currency, type Minor, parseAmount, toDecimal } from "@/core/money";

import { Act, RowButton } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { ActRow, Form } from "../kit/layout";
import { useActing } from "../shell/Notices";
import { LineDay } from "@/ui/kit/days";

type Part = { day: Day | ""; sum: string };
/** What was said, in one line; with days and sums it is a promise, also in parts. */
export function Call({
  row,
  currency,
  today,
  workings,
  close,
}: {
  row: OverdueLine;
  currency: Currency;
  today: Day;
  workings: FollowUpWorkings;
  close: () => void;
}): ReactNode {
  const { act, complain } = useActing();
  const [text, setText] = useState("");
  const [parts, setParts] = useState<Part[]>([{ day: "", sum: "" }]);
  const set = (at: number, to: Partial<Part>): void =>
    setParts(parts.map((part, index) => (index === at ? { ...part, ...to } : part)));
  const log = (): void => {
    const said = parts
      .filter(({ day }) => day !== "")
      .map(({ day, sum }) => ({
        dueOn: day,
        sum: sum.trim() === "" ? null : parseAmount(sum, ".", currency),
      }));
    if (said.some(({ sum }) => sum && !sum.ok))
      return complain("A promised sum cannot be read. Write it like 1234.56.");
    if (said.length > 1 && said.some(({ sum }) => sum === null))
      return complain("Of a promise in parts each needs its sum.");
    const sums = said.map(({ dueOn, sum }) => ({ dueOn, sum: sum?.ok ? sum.value : null }));
    const [only] = sums;
    const promise = contactOf(only, sums);
    void act<{ actId: number }>(
      "logContact",
      { customerId: row.id, text, ...promise },
      (value) => ({
        words: only ? "The promise is noted; reminders wait until its day." : "The call is noted.",
        undo: value.actId,
      }),
    ).then((value) => {
      if (value) close();
    });
  };
  const offer = workings.offer;
  return (
    <Form
      marginTop="12px"
      onSubmit={(event) => {
        event.preventDefault();
        log();
      }}
      onKeyDown={(event) => {
        if (event.key === "Escape") close();
      }}
    >
      <LineField
        kind="text"
        width="420px"
        autoFocus
        aria-label="What was said"
        placeholder="What was said"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      {parts.map((part, at) => (
        <PromisePart key={at} at={at} part={part} parts={parts} set={set} setParts={setParts} />
      ))}
      <CallActs
        close={close}
        currency={currency}
        offer={offer}
        setParts={setParts}
        setText={setText}
        text={text}
        today={today}
      />
    </Form>
  );
}
type PromisePartProps = {
  at: number;
  part: Part;
  parts: Part[];
  set: (at: number, to: Partial<Part>) => void;
  setParts: Dispatch<SetStateAction<Part[]>>;
};
function contactOf(
  only: { dueOn: string; sum: Minor | null } | undefined,
  sums: { dueOn: string; sum: Minor | null }[],
) {
  if (!only) return { kind: "call" };
  if (sums.length === 1) return { kind: "promise", promisedOn: only.dueOn, promisedSum: only.sum };
  return { kind: "promise", parts: sums };
}

function PromisePart({ at, part, parts, set, setParts }: PromisePartProps): ReactNode {
  return (
    <ActRow marginTop="6px">
      <label data-tone="soft">
        {at === 0 ? "promised by" : "and by"}{" "}
        <LineDay value={part.day} onDay={(day) => set(at, { day })} />
      </label>
      <LineField
        width="90px"
        aria-label={at === 0 ? "Promised sum" : `Promised sum ${at + 1}`}
        placeholder="sum"
        value={part.sum}
        onChange={(event) => set(at, { sum: event.target.value })}
        inputMode="decimal"
      />
      {at === parts.length - 1 && part.day !== "" ? (
        <RowButton data-tone="soft" onClick={() => setParts([...parts, { day: "", sum: "" }])}>
          and another part
        </RowButton>
      ) : null}
    </ActRow>
  );
}
type CallActsProps = {
  close: () => void;
  currency: Currency;
  offer: Offer | null;
  setParts: Dispatch<SetStateAction<Part[]>>;
  setText: Dispatch<SetStateAction<string>>;
  text: string;
  today: Day;
};
function CallActs({
  close,
  currency,
  offer,
  setParts,
  setText,
  text,
  today,
}: CallActsProps): ReactNode {
  return (
    <ActRow>
      <Act main type="submit" disabled={text.trim() === ""}>
        Note it
      </Act>
      {offer ? (
        <Act
          onClick={() => {
            setParts(
              offer.parts.map(({ dueOn, sum }) => ({
                day: dueOn,
                sum: toDecimal(sum, currency),
              })),
            );
            if (text === "") setText("Agreed on the telephone");
          }}
        >
          They agree to{" "}
          {offer.parts.length === 1
            ? `${formatDay(offer.parts[0]?.dueOn ?? today, today)}`
            : `${offer.parts.length} parts`}
        </Act>
      ) : null}
      <Act hint="Esc" onClick={close}>
        Back
      </Act>
    </ActRow>
  );
}
