"use client";

import NextLink from "next/link";
import type { ReactNode } from "react";

import type { CreditLine } from "@/contracts/customers";
import { formatDay } from "@/core/calendar";
import { formatAmount, negate, sumOf } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { RowButton } from "../kit/buttons";
import { Subheading } from "../kit/headings";
import { Section } from "../kit/layout";
import { SumLink } from "../kit/SumLink";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { CustomerFactsList } from "./CustomerFactsList";
import { CustomerPapers } from "./CustomerPapers";
import { Contacts, LearnedOf } from "./CustomerContacts";
import { FollowedAs } from "./FollowedAs";
import { Paying } from "./Paying";
import { Persons } from "./Persons";
import type { Item, Props } from "./customerTypes";

export function CustomerSidebar({
  customer,
  aliases,
  sites,
  open,
  credits,
  onWay,
  habit,
  learned,
  followed,
  ladders,
  why,
  paying,
  persons,
  back,
  facts,
  merged,
  papers,
  book,
  currency,
  today,
}: Props): ReactNode {
  return (
    <Section>
      <Subheading>
        Open{" "}
        <span data-tone="soft">
          {open.length} {open.length === 1 ? "item" : "items"}
        </span>
      </Subheading>
      {open.length === 0 ? (
        <p data-tone="good">✓ Nothing is open.</p>
      ) : (
        <OpenItemsTable book={book} currency={currency} open={open} today={today} />
      )}
      {onWay.length > 0 ? <OnTheirWay onWay={onWay} today={today} /> : null}
      {credits.length > 0 ? (
        <OnAccount book={book} credits={credits} open={open} today={today} />
      ) : null}
      {sites.length > 0 ? <Sites book={book} currency={currency} sites={sites} /> : null}
      <FollowedAs
        key={JSON.stringify(followed)}
        followed={followed}
        ladders={ladders}
        why={why}
        currency={currency}
      />
      <Subheading>How to reach them</Subheading>
      <Contacts aliases={aliases} back={back} customer={customer} />
      <Persons
        key={JSON.stringify(persons)}
        customerId={customer.id}
        persons={persons}
        own={customer}
      />
      <CustomerFactsList facts={facts} merged={merged} currency={currency} />
      <CustomerPapers customerId={customer.id} papers={papers} book={book} today={today} />
      <Paying paying={paying} words={habit} book={book} customerId={customer.id} />
      <LearnedOf customer={customer} learned={learned} />
    </Section>
  );
}
type OpenItemsTableProps = {
  book: Props["book"];
  currency: Props["currency"];
  open: Props["open"];
  today: Props["today"];
};
function OpenItemsTable({ book, currency, open, today }: OpenItemsTableProps): ReactNode {
  return (
    <DetailTable aria-label="Open items">
      <tbody>
        {open.map((item) => (
          <tr key={item.id}>
            <td>
              <NextLink href={`/b/${book}/invoices/${item.id}`} prefetch={false}>
                <b data-strong>{item.number}</b>
              </NextLink>{" "}
              {item.kind === "credit_note" ? "credit note" : (item.description ?? "")}
            </td>
            <td data-tone={item.balance > 0 && item.dueOn < today ? "off" : "soft"}>
              {item.kind === "credit_note" ? "" : `due ${formatDay(item.dueOn, today)}`}
            </td>
            <td data-numeric>
              <SumLink
                of={item.balance}
                currency={item.currency}
                href={`/b/${book}/invoices/${item.id}`}
              />
            </td>
          </tr>
        ))}
        <tr>
          <td data-tone="soft">open</td>
          <td />
          <td data-numeric>
            <Total>
              {formatAmount(
                sumOf(open, (item) => item.bookBalance),
                currency,
              )}
            </Total>
          </td>
        </tr>
      </tbody>
    </DetailTable>
  );
}
type OnTheirWayProps = {
  onWay: Props["onWay"];
  today: Props["today"];
};
function OnTheirWay({ onWay, today }: OnTheirWayProps): ReactNode {
  return (
    <>
      <Subheading>
        On its way by ACH <span data-tone="soft">not money yet</span>
      </Subheading>
      <DetailTable aria-label="On its way by ACH">
        <tbody>
          {onWay.map((entry) => (
            <tr key={entry.id}>
              <td>{entry.words || "no memo"}</td>
              <td data-tone="soft">since {formatDay(entry.startedOn, today)}</td>
              <td data-numeric>
                <Amount of={entry.sum} currency={entry.currency} />
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </>
  );
}
type OnAccountProps = {
  book: Props["book"];
  credits: Props["credits"];
  open: Props["open"];
  today: Props["today"];
};
function OnAccount({ book, credits, open, today }: OnAccountProps): ReactNode {
  return (
    <>
      <Subheading>On account</Subheading>
      <DetailTable aria-label="On account">
        <tbody>
          {credits.map((credit) => (
            <tr key={credit.receiptId}>
              <td>
                <NextLink href={`/b/${book}/receipts/${credit.receiptId}`} prefetch={false}>
                  {credit.words}
                </NextLink>
              </td>
              <td data-tone="soft">{formatDay(credit.on, today)}</td>
              <td data-numeric>
                <SumLink
                  of={negate(credit.sum)}
                  currency={credit.currency}
                  href={`/b/${book}/receipts/${credit.receiptId}`}
                />
              </td>
              <td data-numeric>
                <UseCredit credit={credit} open={open} />
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </>
  );
}
type SitesProps = {
  book: Props["book"];
  currency: Props["currency"];
  sites: Props["sites"];
};
function Sites({ book, currency, sites }: SitesProps): ReactNode {
  return (
    <>
      <Subheading>Sites</Subheading>
      <DetailTable>
        <tbody>
          {sites.map((site) => (
            <tr key={site.id}>
              <td>
                <NextLink href={`/b/${book}/customers/${site.id}`} prefetch={false}>
                  {site.name}
                </NextLink>
              </td>
              <td data-numeric data-sum>
                {formatAmount(site.open, currency, { dash: true })}
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </>
  );
}
/** Gives a sum on account to the open invoices, oldest first, as far as it goes. */
function UseCredit({ credit, open }: { credit: CreditLine; open: readonly Item[] }): ReactNode {
  const { act, busy } = useActing();
  const due = open.filter((item) => item.balance > 0 && item.currency === credit.currency);
  if (credit.sum <= 0 || due.length === 0) return null;
  const use = (): void => {
    let left: number = credit.sum;
    const lines = due.flatMap((item) => {
      const amount = Math.min(left, item.balance);
      left -= amount;
      return amount > 0 ? [{ itemId: item.id, amount }] : [];
    });
    void act<{ actId: number }>(
      "useCredit",
      { receiptId: credit.receiptId, customerId: null, lines },
      (value) => ({
        words: `Given to ${lines.length === 1 ? "the oldest invoice" : `the ${lines.length} oldest invoices`}.`,
        undo: value.actId,
      }),
    );
  };
  return (
    <RowButton data-strong disabled={busy} onClick={use}>
      Give to the oldest
    </RowButton>
  );
}
