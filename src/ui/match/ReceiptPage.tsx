"use client";

import NextLink from "next/link";
import { type ReactNode, useState } from "react";

import type { ReceiptItem } from "@/contracts/match";
import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";
import type { Currency, Minor } from "@/core/money";

import { History, LinkedTable } from "../history/History";
import { Amount } from "../kit/Amount";
import { Act, RowButton } from "../kit/buttons";
import { Subheading } from "../kit/headings";
import { ActRow, Halves, Section } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { RefundQuestion } from "./RefundQuestion";
import { type Props, ReceiptFacts, ReceiptHeading, ReceiptParts } from "./ReceiptParts";

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
  refunds,
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
          {customer ? (
            <p>
              <a href={`/api/v1/b/${book}/receipts/${receipt.id}/pdf`}>
                A receipt for the customer (PDF)
              </a>
            </p>
          ) : null}
          {refunds ? (
            <RefundQuestion
              receiptId={receipt.id}
              currency={currency}
              today={today}
              facts={refunds}
            />
          ) : null}
          <Subheading>{sourceHeading(line, hand)}</Subheading>
          <SourceOf
            around={around}
            book={book}
            currency={currency}
            hand={hand}
            items={items}
            line={line}
            today={today}
          />
        </Section>
        <History told={told} {...around} />
      </Halves>
    </>
  );
}

type SourceOfProps = {
  around: { book: string; currency: Currency; today: Day };
  book: string;
  currency: Currency;
  hand: Props["hand"];
  items: ReceiptItem[];
  line: Props["line"];
  today: Day;
};
function SourceOf({ around, book, currency, hand, items, line, today }: SourceOfProps): ReactNode {
  if (line)
    return (
      <p>
        <NextLink href={`/b/${book}/lines/${line.id}`}>{line.description}</NextLink>,{" "}
        {formatDay(line.postedOn, today)},{" "}
        <span data-sum>
          <Amount of={line.amount} currency={currency} />
        </span>
      </p>
    );
  if (hand)
    return (
      <p>
        <NextLink data-tone="waits" href={`/b/${book}/match?queue=hand`}>
          not on a statement yet
        </NextLink>
      </p>
    );
  return <Items items={items} {...around} currency={currency} />;
}
function sourceHeading(line: Props["line"], hand: Props["hand"]): ReactNode {
  if (line) return "On the statement";
  if (hand) return "At the bank";
  return "At the processor";
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
