"use client";

import { Box, chakra, Textarea } from "@chakra-ui/react";
import NextLink from "next/link";
import { type Dispatch, type ReactNode, type SetStateAction, useEffect, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { FollowUpWorkings, OverdueLine } from "@/contracts/overdue";
import { type Day, formatDay } from "@/core/calendar";
import type { Offer } from "@/core/followup";
import {
  type Currency,
  formatAmount,
  type Minor,
  negate,
  parseAmount,
  toDecimal,
} from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { Act, RowButton } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { onOwnControl } from "../kit/keys";
import { ActRow, Form, WorkingsGrid } from "../kit/layout";
import { Cell, DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";

type OfferShown = {
  why: "usual" | "large" | "broken" | "new";
  parts: readonly { dueOn: Day; sum: Minor }[];
} | null;
type FollowUpMode = "looking" | "letter" | "sure" | "call" | "leave_out";
type Props = { row: OverdueLine; currency: Currency; today: Day; done: () => void };

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

type FollowUpActsProps = {
  held: boolean;
  row: Props["row"];
  setDoing: Dispatch<SetStateAction<FollowUpMode>>;
  workings: FollowUpWorkings;
};

function FollowUpActs({ held, row, setDoing, workings }: FollowUpActsProps): ReactNode {
  const { book } = useActing();
  return (
    <ActRow>
      <Act main hint="Enter" onClick={() => setDoing("letter")} disabled={held}>
        Look at the letter
      </Act>
      {workings.act === "task" || workings.act === "stop" ? (
        <TaskDone row={row} act={workings.act} />
      ) : null}
      <Act hint="C" onClick={() => setDoing("call")}>
        Log a call
      </Act>
      <Act hint="X" onClick={() => setDoing("leave_out")}>
        {row.leftOut ? "Take in again" : "Leave out"}
      </Act>
      <NextLink href={`/b/${book}/customers/${row.id}`}>Customer</NextLink>
    </ActRow>
  );
}

type FollowUpHistoryProps = {
  currency: Props["currency"];
  today: Props["today"];
  workings: FollowUpWorkings;
};

function FollowUpHistory({ currency, today, workings }: FollowUpHistoryProps): ReactNode {
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
          {workings.history.length === 0 ? (
            <tr>
              <td data-tone="soft">Nothing was said yet.</td>
            </tr>
          ) : null}
        </tbody>
      </DetailTable>
    </Box>
  );
}

function Owed({
  workings,
  currency,
  today,
}: {
  workings: FollowUpWorkings;
  currency: Currency;
  today: Day;
}): ReactNode {
  return (
    <Box maxHeight="260px" overflow="auto" tabIndex={0} role="group" aria-label="What is overdue">
      <DetailTable>
        <tbody>
          {workings.items.map((item) => (
            <tr key={item.id}>
              <td>
                <b data-strong>{item.number}</b> {item.description}
              </td>
              <td data-tone="soft">
                due {formatDay(item.dueOn, today)}, {item.days} {item.days === 1 ? "day" : "days"}
              </td>
              <td data-numeric>
                <Amount of={item.balance} currency={item.currency} />
              </td>
              <td data-numeric>
                <ItemOut id={item.id} number={item.number} reason={null} />
              </td>
            </tr>
          ))}
          {workings.leftOut.map((item) => (
            <tr data-tone="soft" key={item.id}>
              <td>
                <s>{item.number}</s> left out: {item.reason}
              </td>
              <td />
              <td data-numeric>
                <Amount of={item.balance} currency={item.currency} />
              </td>
              <td data-numeric>
                <ItemOut id={item.id} number={item.number} reason={item.reason} />
              </td>
            </tr>
          ))}
          {workings.credit !== 0 ? (
            <tr>
              <td>Credit on account</td>
              <td />
              <td data-numeric data-sum>
                {formatAmount(negate(workings.credit), currency)}
              </td>
            </tr>
          ) : null}
          <tr>
            <td data-tone="soft">asked for</td>
            <td />
            <td data-numeric>
              <Total>{formatAmount(workings.sum, currency)}</Total>
            </td>
          </tr>
        </tbody>
      </DetailTable>
    </Box>
  );
}

/** Leaves an invoice out of letters, with its reason, or takes it in again. */
function ItemOut({
  id,
  number,
  reason,
}: {
  id: number;
  number: string;
  reason: string | null;
}): ReactNode {
  const { act, busy } = useActing();
  const [asking, setAsking] = useState(false);
  const [text, setText] = useState("");
  const set = (why: string | null): void =>
    void act("leaveItemOut", { itemId: id, reason: why }, () => ({
      words: why === null ? `${number} is in letters again.` : `${number} is left out of letters.`,
    })).then(() => setAsking(false));
  if (reason !== null)
    return (
      <RowButton data-strong disabled={busy} onClick={() => set(null)}>
        take in
      </RowButton>
    );
  if (!asking)
    return (
      <RowButton data-tone="soft" onClick={() => setAsking(true)}>
        leave out
      </RowButton>
    );
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() !== "") set(text);
      }}
    >
      <LineField
        kind="words"
        width="150px"
        autoFocus
        aria-label={`Why ${number} is left out`}
        placeholder="why, then Enter"
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Escape") setAsking(false);
        }}
      />
    </Form>
  );
}

/** A task, or the stop of supply, that the ladder asks for is done. */
function TaskDone({ row, act: does }: { row: OverdueLine; act: "task" | "stop" }): ReactNode {
  const { act, busy } = useActing();
  const words = does === "stop" ? "supply is stopped" : "the task is done";
  return (
    <Act
      hint="D"
      disabled={busy || row.state !== "ready"}
      onClick={() =>
        void act<{ actId: number }>(
          "logContact",
          { customerId: row.id, kind: "note", text: words, done: true },
          (value) => ({ words: `Noted: ${words}.`, undo: value.actId }),
        )
      }
    >
      {does === "stop" ? "Supply is stopped" : "Task is done"}
    </Act>
  );
}

/** The letter with its fields filled; its words can be changed, and it goes only after a second step. */
function Letter({
  workings,
  row,
  back,
  done,
}: {
  workings: FollowUpWorkings;
  row: OverdueLine;
  back: () => void;
  done: () => void;
}): ReactNode {
  const { act, busy } = useActing();
  const [subject, setSubject] = useState(workings.subject);
  const [body, setBody] = useState(workings.body);
  const send = (): void => {
    if (busy || workings.problem !== null) return;
    void act<{ letterId: number }>("sendLetter", { customerId: row.id, subject, body }, () => ({
      words: `Letter to ${row.name} is in the outbox.`,
    })).then((value) => {
      if (value) done();
    });
  };
  useHotkeys("enter", send, { preventDefault: true }, [send]);
  useHotkeys("escape", back);
  return (
    <Box>
      <chakra.p data-tone="soft" margin="4px 0">
        To{" "}
        {workings.problem === null ? workings.to : <span data-tone="off">{workings.problem}</span>}.
        One letter for all of it.
      </chakra.p>
      <LineField
        kind="words"
        width="100%"
        aria-label="Subject"
        value={subject}
        onChange={(event) => setSubject(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Escape") back();
        }}
      />
      <Textarea
        aria-label="Letter"
        value={body}
        onChange={(event) => setBody(event.target.value)}
        rows={13}
        fontFamily="mono"
        fontSize="13px"
        bg="sheet"
        borderColor="rule"
        borderRadius="4px"
        mt="2"
      />
      <ActRow>
        <Act main hint="Enter" onClick={send} disabled={busy || workings.problem !== null}>
          Send it
        </Act>
        <Act hint="Esc" onClick={back}>
          Not now
        </Act>
      </ActRow>
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

type Part = { day: string; sum: string };

/** What was said, in one line; with days and sums it is a promise, also in parts. */
function Call({
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
    const promise = !only
      ? { kind: "call" }
      : sums.length === 1
        ? { kind: "promise", promisedOn: only.dueOn, promisedSum: only.sum }
        : { kind: "promise", parts: sums };
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

function PromisePart({ at, part, parts, set, setParts }: PromisePartProps): ReactNode {
  return (
    <ActRow marginTop="6px">
      <label data-tone="soft">
        {at === 0 ? "promised by" : "and by"}{" "}
        <LineField
          kind="text"
          type="date"
          value={part.day}
          onChange={(event) => set(at, { day: event.target.value })}
        />
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

function LeaveOut({ row, close }: { row: OverdueLine; close: () => void }): ReactNode {
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
