"use client";

import NextLink from "next/link";
import { type ReactNode, useState } from "react";

import type { Backing, Linked } from "@/contracts/history";
import type { ReceiptItem } from "@/contracts/match";
import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import { History, LinkedTable } from "../history/History";
import { Amount, Total } from "../kit/Amount";
import { Act, RowButton } from "../kit/buttons";
import { PageHeading, Subheading, Title } from "../kit/headings";
import { ActRow, FactList, Halves, Section } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";

type Receipt = {
  id: number;
  paidOn: Day;
  settledOn: Day;
  amount: Minor;
  currency: Currency;
  payerName: string;
  payerEmail: string;
  reference: string;
  state: "to_match" | "placed" | "set_aside" | "returned";
  unidentified: Minor;
  onAccount: Minor;
  applied: Minor;
  parked: Minor;
  income: Minor;
  surcharge: Minor;
  recovered: Minor;
  goneBack: Minor;
  reason: string | null;
};

type Props = BookFacts & {
  receipt: Receipt;
  method: string;
  customer: { id: number; name: string } | null;
  given: Linked[];
  items: ReceiptItem[];
  line: { id: number; description: string; postedOn: Day; amount: Minor } | null;
  hand: { number: string | null; state: string; depositOn: Day | null } | null;
  told: Backing;
};

const STATE = {
  to_match: "waits in Match",
  placed: "placed",
  set_aside: "set aside",
  returned: "gone back",
} as const;

/** A receipt with its whole chain: payer, invoices, fee, payout and bank line, both ways. */
export function ReceiptPage({
  receipt,
  method,
  customer,
  given,
  items,
  line,
  hand,
  told,
  ...around
}: Props): ReactNode {
  const { book, today } = around;
  const { currency } = receipt;
  const parts: [string, Minor][] = [
    ["Given to open items", receipt.applied],
    ["Surcharge on top", receipt.surcharge],
    ["On account", receipt.onAccount],
    ["Not identified", receipt.unidentified],
    ["Parked", receipt.parked],
    ["Other income", receipt.income],
    ["For a debt written off", receipt.recovered],
    ["Gone back", receipt.goneBack],
  ];
  return (
    <>
      <ReceiptHeading
        book={book}
        currency={currency}
        method={method}
        receipt={receipt}
        today={today}
      />
      <Halves>
        <Section>
          <Subheading>What it says</Subheading>
          <ReceiptFacts
            book={book}
            customer={customer}
            hand={hand}
            receipt={receipt}
            today={today}
          />
          <Subheading>What became of it</Subheading>
          <ReceiptParts currency={currency} parts={parts} receipt={receipt} />
          <Subheading>Given to</Subheading>
          <LinkedTable
            linked={given}
            label="Open items it was given to"
            foot="given"
            empty="Nothing of it was given to an open item."
            {...around}
            currency={currency}
          />
          <Subheading>
            {line ? "On the statement" : hand ? "At the bank" : "At the processor"}
          </Subheading>
          {line ? (
            <p>
              <NextLink href={`/b/${book}/lines/${line.id}`}>{line.description}</NextLink>,{" "}
              {formatDay(line.postedOn, today)},{" "}
              <span data-sum>
                <Amount of={line.amount} currency={currency} />
              </span>
            </p>
          ) : hand ? (
            <p>
              <NextLink data-tone="waits" href={`/b/${book}/match?queue=hand`}>
                not on a statement yet
              </NextLink>
            </p>
          ) : (
            <Items items={items} {...around} currency={currency} />
          )}
        </Section>
        <History told={told} {...around} />
      </Halves>
    </>
  );
}

type ReceiptHeadingProps = {
  book: BookFacts["book"];
  currency: Props["receipt"]["currency"];
  method: Props["method"];
  receipt: Props["receipt"];
  today: BookFacts["today"];
};

function ReceiptHeading({
  book,
  currency,
  method,
  receipt,
  today,
}: ReceiptHeadingProps): ReactNode {
  return (
    <PageHeading>
      <Title>
        <Amount of={receipt.amount} currency={currency} />{" "}
        <small>
          by {method} on {formatDay(receipt.paidOn, today)}
        </small>
      </Title>
      <span data-strong>{receipt.payerName || receipt.payerEmail || "payer not known"}</span>
      {receipt.state === "to_match" ? (
        <NextLink data-tone="waits" href={`/b/${book}/match?open=${receipt.id}`}>
          waits in Match
        </NextLink>
      ) : (
        <span data-tone={receipt.state === "placed" ? "good" : "waits"}>
          {STATE[receipt.state]}
          {receipt.reason ? `: ${receipt.reason}` : ""}
        </span>
      )}
    </PageHeading>
  );
}

type ReceiptFactsProps = {
  book: BookFacts["book"];
  customer: Props["customer"];
  hand: Props["hand"];
  receipt: Props["receipt"];
  today: BookFacts["today"];
};

function ReceiptFacts({ book, customer, hand, receipt, today }: ReceiptFactsProps): ReactNode {
  return (
    <FactList>
      {receipt.payerEmail ? (
        <>
          <dt>E-mail</dt>
          <dd>{receipt.payerEmail}</dd>
        </>
      ) : null}
      <dt>Memo</dt>
      <dd>{receipt.reference || <span data-tone="soft">none</span>}</dd>
      {hand ? (
        <>
          <dt>By hand</dt>
          <dd>
            {hand.number ? `number ${hand.number}, ` : ""}
            {hand.state}
            {hand.depositOn ? `, taken there ${formatDay(hand.depositOn, today)}` : ""}
          </dd>
        </>
      ) : null}
      <dt>Settled</dt>
      <dd>{formatDay(receipt.settledOn, today)}</dd>
      <dt>Customer</dt>
      <dd>
        {customer ? (
          <NextLink href={`/b/${book}/customers/${customer.id}`}>{customer.name}</NextLink>
        ) : (
          <span data-tone="soft">not known yet</span>
        )}
      </dd>
    </FactList>
  );
}

type ReceiptPartsProps = {
  currency: Props["receipt"]["currency"];
  parts: [string, Minor][];
  receipt: Props["receipt"];
};

function ReceiptParts({ currency, parts, receipt }: ReceiptPartsProps): ReactNode {
  return (
    <DetailTable aria-label="What became of it">
      <tbody>
        {parts
          .filter(([, sum]) => sum !== 0)
          .map(([words, sum]) => (
            <tr key={words}>
              <td>{words}</td>
              <td data-numeric data-sum>
                <Amount of={sum} currency={currency} />
              </td>
            </tr>
          ))}
        <tr>
          <td data-tone="soft">the receipt</td>
          <td data-numeric>
            <Total>
              <Amount of={receipt.amount} currency={currency} />
            </Total>
          </td>
        </tr>
      </tbody>
    </DetailTable>
  );
}

function Items({
  items,
  book,
  currency,
  today,
}: BookFacts & { items: readonly ReceiptItem[] }): ReactNode {
  return (
    <DetailTable aria-label="At the processor">
      <tbody>
        {items.map((item) => (
          <tr key={item.id}>
            <td>
              {item.kind} <span data-tone="soft">{item.externalId}</span>
            </td>
            <td data-tone="soft">{formatDay(item.on, today)}</td>
            <td>
              {item.payout ? (
                <NextLink href={`/b/${book}/payouts/${item.payout.id}`} prefetch={false}>
                  payout {item.payout.externalId}
                </NextLink>
              ) : (
                <span data-tone="waits">in no payout yet</span>
              )}
              {item.disputeOpen ? <Lost item={item} /> : null}
            </td>
            <td data-numeric data-sum>
              <Amount of={item.amount} currency={currency} />
            </td>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}

/** A dispute that was lost cannot be taken back, so it asks a second time. */
function Lost({ item }: { item: ReceiptItem }): ReactNode {
  const { act, busy } = useActing();
  const [asking, setAsking] = useState(false);
  if (!asking)
    return (
      <>
        {" "}
        <RowButton data-strong onClick={() => setAsking(true)}>
          It was lost
        </RowButton>
      </>
    );
  return (
    <ActRow as="span" marginTop="4px">
      <Act
        main
        disabled={busy}
        onClick={() =>
          void act("disputeLost", { processorItemId: item.id }, () => ({
            words: "The dispute is lost; what the receipt had paid is open again.",
          }))
        }
      >
        Open its invoices again
      </Act>
      <Act onClick={() => setAsking(false)}>Not now</Act>
    </ActRow>
  );
}
