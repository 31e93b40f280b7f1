"use client";

import { useRouter } from "next/navigation";
import { type ReactNode, useState } from "react";

import type { ReturnTodo } from "@/contracts/payouts";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount } from "@/core/money";

import { Act } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { ActRow } from "../kit/layout";
import { useActing } from "../shell/Notices";
import { LineDay } from "@/ui/kit/days";

export function ReturnActions({
  todo,
  currency,
  today,
}: {
  todo: ReturnTodo;
  currency: Currency;
  today: Day;
}): ReactNode {
  switch (todo.as) {
    case "retry":
      return <RetryForm today={today} todo={todo} />;
    case "answer":
      return <AnswerForm todo={todo} />;
    case "credit_note":
      return <CreditNoteChoice currency={currency} todo={todo} />;
    case "mend":
      return <MendAct todo={todo} />;
    default:
      throw todo satisfies never;
  }
}

type CreditNoteChoiceProps = {
  currency: Currency;
  todo: Extract<ReturnTodo, { as: "credit_note" }>;
};
function CreditNoteChoice({ currency, todo }: CreditNoteChoiceProps): ReactNode {
  const { act, busy } = useActing();
  return (
    <ActRow>
      {todo.notes.map((note) => {
        const sum = Math.min(note.sum, todo.missing);
        return (
          <Act
            key={note.itemId}
            main
            onClick={() =>
              void act<{ actId: number }>(
                "useCredit",
                {
                  receiptId: todo.receiptId,
                  customerId: null,
                  lines: [{ itemId: note.itemId, amount: -sum }],
                },
                (value) => ({
                  words: `${note.number} is paid out by this refund.`,
                  undo: value.actId,
                }),
              )
            }
            disabled={busy}
          >
            It is for {note.number}, {formatAmount(sum, currency)}
          </Act>
        );
      })}
      {todo.notes.length === 0 ? (
        <span data-tone="soft">When the credit note is in the book, it can be taken here.</span>
      ) : null}
    </ActRow>
  );
}

/** Sends all that the book has to the processor, where one is behind it. */
function useSending(disputeId: number) {
  const { book, say, complain } = useActing();
  const router = useRouter();
  const [sending, setSending] = useState(false);
  const send = async (): Promise<void> => {
    setSending(true);
    const problem = await sent(`/api/v1/b/${book}/disputes/${disputeId}/answer`);
    setSending(false);
    if (problem !== null) return complain(problem);
    say("Answered: the processor has what we have.", "What was sent cannot be taken back.");
    router.refresh();
  };
  return { sending, send };
}

/** Null where it arrived; else why not. */
async function sent(address: string): Promise<string | null> {
  try {
    const headers = { "content-type": "application/json" };
    const response = await fetch(address, { method: "POST", headers, body: "{}" });
    const said = (await response.json()) as { error?: { message: string } };
    return said.error?.message ?? null;
  } catch {
    return "No answer came. Press again: it is answered once.";
  }
}

type AnswerFormProps = {
  todo: Extract<ReturnTodo, { as: "answer" }>;
};
function AnswerForm({ todo }: AnswerFormProps): ReactNode {
  const { act, busy, book } = useActing();
  const [why, setWhy] = useState("");
  const { sending, send } = useSending(todo.processorItemId);
  return (
    <ActRow
      as="form"
      onSubmit={(event) => {
        event.preventDefault();
        void act<{ actId: number }>(
          "answerDispute",
          { processorItemId: todo.processorItemId, why },
          (value) => ({ words: "Marked as answered.", undo: value.actId }),
        );
      }}
    >
      <LineField
        kind="words"
        width="320px"
        aria-label="What was sent"
        placeholder="What was sent as proof"
        value={why}
        onChange={(event) => setWhy(event.target.value)}
      />
      <Act main type="submit" disabled={busy || why.trim().length < 3}>
        It is answered
      </Act>
      <Act disabled={busy || sending} onClick={() => void send()}>
        Send what we have
      </Act>
      <a href={`/api/v1/b/${book}/disputes/${todo.processorItemId}/evidence`} download>
        what we have, as one PDF
      </a>
      <Act
        onClick={() =>
          void act<{ actId: number }>(
            "disputeLost",
            { processorItemId: todo.processorItemId },
            (value) => ({ words: "Lost: what it had paid is open again.", undo: value.actId }),
          )
        }
        disabled={busy}
      >
        It is lost
      </Act>
    </ActRow>
  );
}

type RetryFormProps = {
  today: Day;
  todo: Extract<ReturnTodo, { as: "retry" }>;
};
function RetryForm({ today, todo }: RetryFormProps): ReactNode {
  const { act, busy } = useActing();
  const [on, setOn] = useState(todo.first);
  return (
    <ActRow
      as="form"
      onSubmit={(event) => {
        event.preventDefault();
        void act<{ actId: number; on: Day }>(
          "retryDebit",
          { returnItemId: todo.returnItemId, on },
          (value) => ({
            words: `Tried again on ${formatDay(value.on, today)}.`,
            undo: value.actId,
          }),
        );
      }}
    >
      <label data-tone="soft">
        on <LineDay value={on} onDay={(day) => day !== "" && setOn(day)} />
      </label>
      <Act main type="submit" disabled={busy}>
        Try it again
      </Act>
    </ActRow>
  );
}

function MendAct({ todo }: { todo: Extract<ReturnTodo, { as: "mend" }> }): ReactNode {
  const { act, busy } = useActing();
  return (
    <ActRow>
      <Act
        main
        onClick={() =>
          void act<{ actId: number }>("mendAccount", { noticeId: todo.noticeId }, (value) => ({
            words: "Mended.",
            undo: value.actId,
          }))
        }
        disabled={busy}
      >
        It is mended
      </Act>
    </ActRow>
  );
}
