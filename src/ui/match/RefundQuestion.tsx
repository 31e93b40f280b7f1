"use client";

import { useRouter } from "next/navigation";
import { type ReactNode, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { RefundFacts } from "@/contracts/paying";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount, parseAmount } from "@/core/money";

import { Amount } from "../kit/Amount";
import { Act } from "../kit/buttons";
import { AmountField, Choice, TextField } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { inDialog } from "../kit/keys";
import { ActRow, Form } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { post } from "../shell/send";

type Refunding = { receiptId: number; currency: Currency; today: Day; facts: RefundFacts };

/** Money that goes back by the processor, the way it came: what was asked for, and a new request. */
export function RefundQuestion(props: Refunding): ReactNode {
  const [open, setOpen] = useState(false);
  const { facts } = props;
  const possible = facts.free > 0 || facts.notes.length > 0;
  useHotkeys(
    "b",
    () => setOpen(true),
    { ignoreEventWhen: inDialog, preventDefault: true, enabled: possible },
    [],
  );
  if (!possible && facts.asked.length === 0) return null;
  return (
    <>
      <Subheading>Sent back the way it came</Subheading>
      <Asked {...props} />
      {possible && open ? <RefundForm {...props} close={() => setOpen(false)} /> : null}
      {possible && !open ? (
        <ActRow>
          <Act hint="B" onClick={() => setOpen(true)}>
            Send money back …
          </Act>
        </ActRow>
      ) : null}
    </>
  );
}

const STATES: Readonly<Record<RefundFacts["asked"][number]["state"], string>> = {
  waiting: "waits for a second person",
  asked: "on its way to the processor",
  sent: "sent back",
  refused: "the processor refused it",
  given_back: "was not agreed to",
};

function Asked({ facts, currency, today }: Refunding): ReactNode {
  if (facts.asked.length === 0) return null;
  return (
    <DetailTable aria-label="Money sent back">
      <tbody>
        {facts.asked.map(({ id, amount, why, askedBy, askedOn, state }) => (
          <tr key={id}>
            <td>
              {formatDay(askedOn, today)}, {askedBy}
            </td>
            <td>{why}</td>
            <td data-tone={state === "sent" ? "good" : "waits"}>{STATES[state]}</td>
            <td data-numeric data-sum>
              <Amount of={amount} currency={currency} />
            </td>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}

function RefundForm({
  receiptId,
  currency,
  facts,
  close,
}: Refunding & { close: () => void }): ReactNode {
  const { book, say, complain } = useActing();
  const router = useRouter();
  const sources = sourcesOf(facts, currency);
  const [key] = useState(() => crypto.randomUUID());
  const [from, setFrom] = useState(sources[0]?.[0] ?? "");
  const [typed, setTyped] = useState({ sum: mostOf(facts, from, currency), why: "" });
  const [sending, setSending] = useState(false);
  const send = async (): Promise<void> => {
    const sum = parseAmount(typed.sum, ".", currency);
    if (!sum.ok || sum.value <= 0) return complain("A sum like 20.00, please.");
    if (typed.why.trim().length < 3) return complain("Why it goes back, please.");
    setSending(true);
    const sent = await post<{ state: string }>(
      `/api/v1/b/${book}/receipts/${receiptId}/refund`,
      JSON.stringify({
        key,
        amount: sum.value,
        creditNoteId: from === "credit" ? null : Number(from),
        why: typed.why.trim(),
      }),
      { "content-type": "application/json" },
    );
    setSending(false);
    if (!sent.ok) return complain(sent.message);
    say(SAID[sent.value.state]?.(formatAmount(sum.value, currency)) ?? "It was asked for.");
    close();
    router.refresh();
  };
  return (
    <Form
      display="grid"
      gap="10px"
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
      onKeyDown={(event) => {
        if (event.key === "Escape") close();
      }}
    >
      <Choice
        label="Out of"
        autoFocus
        value={from}
        options={sources}
        onChange={(event) => {
          setFrom(event.target.value);
          setTyped({ ...typed, sum: mostOf(facts, event.target.value, currency) });
        }}
      />
      <AmountField
        label="Sum"
        currency={currency}
        value={typed.sum}
        help="what goes back cannot be fetched again; the processor keeps its fee"
        onChange={(event) => setTyped({ ...typed, sum: event.target.value })}
      />
      <TextField
        label="Why"
        maxLength={200}
        value={typed.why}
        onChange={(event) => setTyped({ ...typed, why: event.target.value })}
      />
      <ActRow>
        <Act main type="submit" disabled={sending}>
          Send it back
        </Act>
        <Act hint="Esc" onClick={close}>
          Not now
        </Act>
      </ActRow>
    </Form>
  );
}

const SAID: Readonly<Record<string, (sum: string) => string>> = {
  sent: (sum) => `${sum} sent back the way it came.`,
  waiting: (sum) => `${sum} waits for a second person.`,
  refused: () => "The processor refused it: nothing went back.",
};

/** Out of what money can go back: credit on account first, then each credit note. */
const sourcesOf = (
  { free, notes }: RefundFacts,
  currency: Currency,
): (readonly [string, string])[] => [
  ...(free > 0 ? [["credit", `credit on account, ${formatAmount(free, currency)}`] as const] : []),
  ...notes.map(
    ({ itemId, number, sum }) =>
      [String(itemId), `credit note ${number}, ${formatAmount(sum, currency)}`] as const,
  ),
];

const mostOf = ({ free, notes }: RefundFacts, from: string, currency: Currency): string =>
  formatAmount(notes.find(({ itemId }) => String(itemId) === from)?.sum ?? free, currency);
